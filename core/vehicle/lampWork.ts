import { colourRule, type RuleColour } from '../catalogue/regions.ts';
import type { Circuit, CircuitKind } from '../model/vehicle/circuit.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsOf, returnCircuit } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** Something the driver works to see a lamp lit. `words/switches.ts` says it. */
export type LightSwitch =
  | 'turn-left'
  | 'turn-right'
  | 'turn'
  | 'brake'
  | 'lights'
  | 'reverse'
  | 'fog'
  | 'dipped-beam'
  | 'main-beam'
  | 'door'
  | 'lid'
  | 'lamp-switch'
  | 'daytime'
  | 'cornering-left'
  | 'cornering-right'
  | 'cornering'
  | 'work'
  | 'beacon'
  | 'key';

/** What a circuit is called, and what the driver works to see it; of a turn circuit its side decides. */
const WORK: Record<CircuitKind, { name: string; switch: LightSwitch }> = {
  turn: { name: 'turn', switch: 'turn' },
  stop: { name: 'stop', switch: 'brake' },
  'third-brake': { name: 'third brake', switch: 'brake' },
  tail: { name: 'tail or position', switch: 'lights' },
  marker: { name: 'marker', switch: 'lights' },
  plate: { name: 'plate', switch: 'lights' },
  reverse: { name: 'reverse', switch: 'reverse' },
  'front-fog': { name: 'front fog', switch: 'fog' },
  'rear-fog': { name: 'rear fog', switch: 'fog' },
  'dipped-beam': { name: 'dipped beam', switch: 'dipped-beam' },
  'main-beam': { name: 'main beam', switch: 'main-beam' },
  'daytime-running': { name: 'daytime running', switch: 'daytime' },
  cornering: { name: 'cornering', switch: 'cornering' },
  work: { name: 'work', switch: 'work' },
  beacon: { name: 'beacon', switch: 'beacon' },
  interior: { name: 'inside', switch: 'door' },
  dash: { name: 'dash', switch: 'lights' },
  charge: { name: 'charge', switch: 'key' },
};

/** `turn`, `stop, tail or position`: what a lamp does, its bright filament first. */
export function functionsOf(vehicle: Vehicle, lampId: string): string {
  const names = circuitsOf(vehicle, lampId).map((circuit) => functionName(circuit, lampId));
  const back = returnCircuit(vehicle, lampId);
  if (back) names.push(WORK[back.kind].name);
  if (vehicle.pilot?.lampId === lampId) names.push('turn pilot');
  return [...new Set(names)].join(', ');
}

/**
 * A circuit’s work with what else it does: `turn and stop`.
 *
 * @param lampId asked of one of its lamps, which may do less
 */
export function functionName(circuit: Circuit, lampId?: string): string {
  if (circuit.fullWithBrake) return 'stop and tail';
  if (circuit.stopFuseId && !turnsOnly(circuit, lampId)) return 'turn and stop';
  // What a lid or a switch of its own lights goes by its name: the boot is none of the dome's business.
  if (circuit.workedBy && circuit.workedBy !== 'door') return circuit.name.toLowerCase();
  return WORK[circuit.kind].name;
}

/** Whether a lamp of a circuit that stops too is on its turn wire alone; of the circuit as a whole none is. */
function turnsOnly({ feeds }: Circuit, lampId: string | undefined): boolean {
  return feeds.some((feed) => feed.lampId === lampId && feed.turnOnly === true);
}

/** A circuit's work in a word or two: `turn`, `rear fog`. */
export function workName(kind: CircuitKind): string {
  return WORK[kind].name;
}

/** What the driver works to see a lamp lit at every level; the turn lever where it hangs on nothing. */
export function switchesFor(vehicle: Vehicle, lamp: Lamp): readonly LightSwitch[] {
  const found = circuitsOf(vehicle, lamp.id).map(({ kind, side, workedBy }): LightSwitch => {
    if ((kind === 'turn' || kind === 'cornering') && side) return `${kind}-${side}`;
    return workedBy ?? WORK[kind].switch;
  });
  const back = returnCircuit(vehicle, lamp.id);
  if (back) found.push(WORK[back.kind].switch);
  return found.length > 0 ? [...new Set(found)] : ['turn'];
}

/**
 * The colours an LED may have in a lamp by the rules of the vehicle's region, the usual one first: what its bright
 * filament's function asks for at its end of the vehicle; behind coloured glass the colour of the glass.
 */
export function coloursFor(vehicle: Vehicle, lamp: Lamp): readonly RuleColour[] {
  const circuit = circuitsOf(vehicle, lamp.id)[0];
  if (!circuit) return colourRule(vehicle.region, 'dash', 'dash').colours;
  // One filament for stop and turn is red where that wiring is usual.
  if (circuit.stopFuseId && !turnsOnly(circuit, lamp.id)) return ['red', 'amber'];
  const { colours } = colourRule(vehicle.region, circuit.kind, lamp.end);
  if (lamp.lens !== 'amber' && lamp.lens !== 'red') return colours;
  if (circuit.kind === 'tail' || circuit.kind === 'marker') return [lamp.lens];
  return colours.toSorted((x, y) => Number(y === lamp.lens) - Number(x === lamp.lens));
}

/** Whether an LED there is more than a change of light: the charge lamp starts the alternator. */
export function neverByDefault(vehicle: Vehicle, lampId: string): boolean {
  return circuitsOf(vehicle, lampId).some((circuit) => NEVER_BY_DEFAULT.includes(circuit.kind));
}

const NEVER_BY_DEFAULT: readonly CircuitKind[] = ['charge', 'dash', 'front-fog', 'dipped-beam', 'main-beam'];
