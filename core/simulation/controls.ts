import type { Circuit, DaytimeBeside, WorkedBy } from '../model/vehicle/circuit.ts';
import type { ControllerOutput } from '../model/vehicle/flasher.ts';
import type { Side } from '../model/vehicle/lamp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** The driver's panel. */
export interface Controls {
  key: 'off' | 'on' | 'running';
  turn: Side | null;
  hazard: boolean;
  lights: boolean;
  brake: boolean;
  reverse: boolean;
  fog: boolean;
  /** main beam, with the lights on */
  mainBeam: boolean;
  /** a door stands open */
  doors: boolean;
  /** every lid and flap with a lamp behind it stands open: boot, glove box, vanity mirror */
  lids: boolean;
  /** inside lamps with a switch of their own are switched on */
  lampSwitches: boolean;
  /** work lamps */
  work: boolean;
  beacon: boolean;
  /** the dash dimmer at its darkest */
  dimmed: boolean;
}

export const CONTROLS_OFF: Controls = {
  key: 'off',
  turn: null,
  hazard: false,
  lights: false,
  brake: false,
  reverse: false,
  fog: false,
  mainBeam: false,
  doors: false,
  lids: false,
  lampSwitches: false,
  work: false,
  beacon: false,
  dimmed: false,
};

/** Everything a panel has switched on but what flashes, and main beam. */
export const EVERYTHING_STEADY: Controls = {
  ...CONTROLS_OFF,
  key: 'on',
  lights: true,
  brake: true,
  reverse: true,
  fog: true,
  doors: true,
  lids: true,
  lampSwitches: true,
  work: true,
  beacon: true,
};

/** Sides that flash: hazard works without the key, turn does not. */
export function litSides(controls: Pick<Controls, 'key' | 'turn' | 'hazard'>): Side[] {
  if (controls.hazard) return ['left', 'right'];
  if (controls.key !== 'off' && controls.turn) return [controls.turn];
  return [];
}

/** Sides of this vehicle that flash. */
export function flashingSides(vehicle: Vehicle, controls: Controls): Side[] {
  return litSides(controls).filter((side) =>
    vehicle.circuits.some((circuit) => circuit.kind === 'turn' && circuit.side === side),
  );
}

/** Whether the panel asks for a circuit: steadily, or for a turn circuit by its flasher. */
export function wanted(circuit: Circuit, controls: Controls): boolean {
  const keyed = controls.key !== 'off';
  switch (circuit.kind) {
    case 'turn':
      return circuit.side !== null && litSides(controls).includes(circuit.side);
    case 'stop':
    case 'third-brake':
      return controls.brake;
    case 'tail':
      return controls.lights || (controls.brake && circuit.fullWithBrake === true);
    case 'marker':
    case 'plate':
    case 'dash':
      return controls.lights;
    case 'reverse':
      return controls.reverse && keyed;
    case 'front-fog':
    case 'rear-fog':
      return controls.fog && controls.lights;
    case 'dipped-beam':
      return controls.lights && keyed && !controls.mainBeam;
    case 'main-beam':
      return controls.lights && keyed && controls.mainBeam;
    case 'daytime-running':
      return keyed && daytimeLevel(circuit, controls) !== 'off';
    case 'cornering':
      return keyed && controls.lights && circuit.side !== null && turnedTo(controls) === circuit.side;
    case 'work':
      return controls.work;
    case 'beacon':
      return controls.beacon;
    case 'interior':
      return controls[INSIDE_SWITCH[circuit.workedBy ?? 'door']];
    case 'charge':
      return keyed;
  }
}

/** The switch of the panel that stands for what lights an inside lamp. */
export const INSIDE_SWITCH: Record<WorkedBy, 'doors' | 'lids' | 'lampSwitches'> = {
  door: 'doors',
  lid: 'lids',
  'lamp-switch': 'lampSwitches',
};

/** The side the stalk is put to; with hazard on the lamps of no side look into a bend. */
function turnedTo({ hazard, turn }: Controls): Side | null {
  return hazard ? null : turn;
}

/**
 * What a daytime running lamp gives with the key on: the least of what the lights and the turning of its own side leave
 * of it. What nobody has looked at leaves it as it is; that it may be dimmed is a way of its own (`possible/ways.ts`).
 */
export function daytimeLevel(
  { daytime, side }: Pick<Circuit, 'daytime' | 'side'>,
  controls: Controls,
): DaytimeBeside {
  const turns = controls.turn !== null || controls.hazard;
  const own = side === null ? turns : litSides({ ...controls, key: 'on' }).includes(side);
  const left = [
    controls.lights ? (daytime?.lights ?? 'same') : 'same',
    own ? (daytime?.turning ?? 'same') : 'same',
  ] as const;
  return left.includes('off') ? 'off' : left.includes('dimmed') ? 'dimmed' : 'same';
}

/** Whether some lamps of a combined stop-and-turn circuit turn and do not stop, as front ones do. */
export function hasTurnOnly({ stopFuseId, feeds }: Circuit): boolean {
  return stopFuseId !== undefined && feeds.some((feed) => feed.turnOnly === true);
}

/** Whether a combined stop-and-turn filament is lit by the brake: its turn switch is at rest. */
export function stopsThroughTurn(circuit: Circuit, controls: Controls): boolean {
  return circuit.stopFuseId !== undefined && controls.brake && !wanted(circuit, controls);
}

/**
 * Share of the time a pulsed output is on. A voltage-holding output aims at the lamp's RMS volts, so its duty
 * is (V_hold / V)².
 */
export function dutyOf(
  circuit: Circuit,
  output: ControllerOutput | undefined,
  controls: Controls,
  emfVolts: number,
): number {
  const pwm = output?.pwm;
  if (!pwm) return 1;
  if (pwm.to === 'hold') return Math.min(1, (pwm.holdVolts / emfVolts) ** 2);
  if (circuit.kind === 'daytime-running') return daytimeLevel(circuit, controls) === 'dimmed' ? pwm.duty : 1;
  return circuit.fullWithBrake && controls.brake ? 1 : pwm.duty;
}

/** The controller output that drives a circuit, if one does. */
export function outputOf(vehicle: Vehicle, circuit: Circuit): ControllerOutput | undefined {
  if (circuit.from.by !== 'output' || vehicle.flasher.kind !== 'controller') return undefined;
  return vehicle.flasher.outputs.find((output) => output.circuitId === circuit.id);
}
