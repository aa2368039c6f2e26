import { capital } from '../../formatting/format.ts';
import type { Circuit, CircuitKind, WorkedBy } from '../../model/vehicle/circuit.ts';
import type { ControllerOutput } from '../../model/vehicle/flasher.ts';
import type { Lamp, LampInput, Side } from '../../model/vehicle/lamp.ts';
import { MOST_FEEDS } from '../../model/vehicle/mostFeeds.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { bladeFuse, rateFuse } from './bladeFuse.ts';
import { mayBeWatched } from './openWatch.ts';
import { dropLostReturns } from './returns.ts';
import { VehicleEditError } from './vehicleEditError.ts';

/** One thing a lamp does, and with which of its filaments. */
export interface LampFunction {
  kind: CircuitKind;
  input: LampInput;
  /** of an inside lamp: what lights it; any door where left out */
  workedBy?: WorkedBy;
}

/** Circuits that every side has one of; the others serve the whole vehicle. */
const BY_SIDE: readonly CircuitKind[] = ['turn', 'tail', 'marker', 'daytime-running', 'cornering'];

const NAMES: Record<CircuitKind, string> = {
  turn: 'turn',
  stop: 'Stop',
  'third-brake': 'Third brake',
  tail: 'tail and position',
  marker: 'markers',
  plate: 'Plate',
  reverse: 'Reverse',
  'front-fog': 'Front fog',
  'rear-fog': 'Rear fog',
  'dipped-beam': 'Dipped beam',
  'main-beam': 'Main beam',
  'daytime-running': 'daytime running',
  cornering: 'cornering',
  work: 'Work lamps',
  beacon: 'Beacon',
  interior: 'Interior',
  dash: 'Dash lighting',
  charge: 'Charge lamp',
};

/** Which fuse a new circuit goes on, and its rating at 12 V, A; half of that on 24 V, where the lamps draw half (common practice). */
const FUSES: Partial<Record<CircuitKind, { id: string; name: string; amps: number }>> = {
  stop: { id: 'stop-fuse', name: 'stop fuse', amps: 10 },
  'third-brake': { id: 'stop-fuse', name: 'stop fuse', amps: 10 },
  reverse: { id: 'reverse-fuse', name: 'reverse fuse', amps: 10 },
  'front-fog': { id: 'front-fog-fuse', name: 'front fog fuse', amps: 20 },
  'rear-fog': { id: 'rear-fog-fuse', name: 'rear fog fuse', amps: 10 },
  'dipped-beam': { id: 'dipped-fuse', name: 'dipped beam fuse', amps: 15 },
  'main-beam': { id: 'main-beam-fuse', name: 'main beam fuse', amps: 15 },
  'daytime-running': { id: 'daytime-fuse', name: 'daytime running fuse', amps: 10 },
  cornering: { id: 'cornering-fuse', name: 'cornering fuse', amps: 10 },
  work: { id: 'work-fuse', name: 'work lamp fuse', amps: 15 },
  beacon: { id: 'beacon-fuse', name: 'beacon fuse', amps: 10 },
  interior: { id: 'interior-fuse', name: 'interior fuse', amps: 10 },
  charge: { id: 'dash-fuse', name: 'dash fuse', amps: 10 },
};
const LIGHTS_FUSE = { id: 'lights-fuse', name: 'lights fuse', amps: 10 };

/** What a lamp does now, its bright filament first. */
export function lampFunctions(vehicle: Vehicle, lampId: string): LampFunction[] {
  return vehicle.circuits
    .flatMap(({ kind, feeds, workedBy }) =>
      feeds
        .filter((feed) => feed.lampId === lampId)
        .map(({ input }) => ({ kind, input, ...(workedBy ? { workedBy } : {}) })),
    )
    .toSorted((a, b) => Number(a.input === 'dim') - Number(b.input === 'dim'));
}

/**
 * Feeds a lamp by the circuits that do what is asked: on one the vehicle has already, so that two lamps of one
 * function hang on one wire; else on a new one from the flasher, a fuse of its own kind, or a controller output.
 * Feeds that are no longer asked for go, and with its last lamp so does a circuit.
 *
 * @param vehicle changed in place
 * @throws VehicleEditError where a circuit has as many lamps as it takes
 */
export function setLampFunctions(vehicle: Vehicle, lamp: Lamp, functions: readonly LampFunction[]): void {
  for (const circuit of vehicle.circuits) {
    circuit.feeds = circuit.feeds.filter(
      (feed) =>
        feed.lampId !== lamp.id ||
        functions.some((each) => isCircuitFor(circuit, lamp, each) && each.input === feed.input),
    );
  }
  for (const work of functions) {
    const { input } = work;
    const circuit = circuitFor(vehicle, lamp, work);
    if (circuit.feeds.some((feed) => feed.lampId === lamp.id && feed.input === input)) continue;
    if (circuit.feeds.length >= MOST_FEEDS)
      throw new VehicleEditError(
        `${circuit.name} feeds ${MOST_FEEDS} lamps already, which is as many as one circuit takes here. Remove one of them first, or give ${lamp.name.toLowerCase()} other work.`,
      );
    circuit.feeds.push({ lampId: lamp.id, input });
  }
  dropEmptyCircuits(vehicle);
}

/** Circuits without a lamp go, and whatever named them. */
export function dropEmptyCircuits(vehicle: Vehicle): void {
  vehicle.circuits = vehicle.circuits.filter((circuit) => circuit.feeds.length > 0);
  const left = new Set(vehicle.circuits.map((circuit) => circuit.id));
  const { flasher, bulbCheck } = vehicle;
  if (flasher.kind === 'controller') {
    const outputs = flasher.outputs.filter((output) => left.has(output.circuitId));
    if (outputs.length > 0) flasher.outputs = outputs;
  }
  if (bulbCheck) bulbCheck.watches = bulbCheck.watches.filter((watch) => left.has(watch.circuitId));
  dropLostReturns(vehicle);
}

function sideFor(lamp: Lamp, kind: CircuitKind): Side | null {
  if (!BY_SIDE.includes(kind)) return null;
  return lamp.side === 'centre' ? (kind === 'turn' ? 'left' : null) : lamp.side;
}

function isCircuitFor(circuit: Circuit, lamp: Lamp, { kind, workedBy = 'door' }: LampFunction): boolean {
  if (circuit.kind !== kind || (circuit.workedBy ?? 'door') !== workedBy) return false;
  // One door opens all of them; each lid and each switch has a contact of its own.
  if (workedBy !== 'door')
    return (
      circuit.feeds.length === 0 || circuit.feeds.some(({ lampId }) => stemOf(lampId) === stemOf(lamp.id))
    );
  // A moped has one tail circuit for both sides, a van may have one for each.
  return circuit.side === null || circuit.side === sideFor(lamp, kind);
}

/** `map` of `map-left` and of `map-2`: lamps that were added together. */
function stemOf(lampId: string): string {
  return lampId.replace(/-(left|right)$/, '').replace(/-\d+$/, '');
}

function isAtEnd({ lamps }: Vehicle, { feeds }: Circuit, { end }: Lamp): boolean {
  const isRear = (lampEnd: Lamp['end'] | undefined) => lampEnd === 'rear';
  return feeds.some(({ lampId }) => isRear(lamps.find(({ id }) => id === lampId)?.end) === isRear(end));
}

function circuitFor(vehicle: Vehicle, lamp: Lamp, work: LampFunction): Circuit {
  const { kind, workedBy = 'door' } = work;
  const known = vehicle.circuits.filter((circuit) => isCircuitFor(circuit, lamp, work));
  // Of outputs a corner it is the one of its own end.
  const near = known.find((circuit) => isAtEnd(vehicle, circuit, lamp)) ?? known[0];
  if (near) return near;
  const side = sideFor(lamp, kind);
  const circuit: Circuit = {
    id: freeId(
      workedBy !== 'door' ? `${stemOf(lamp.id)}-lamp` : side === null ? kind : `${kind}-${side}`,
      vehicle.circuits.map((each) => each.id),
    ),
    kind,
    name:
      workedBy !== 'door'
        ? lamp.name.replace(/ (left|right)$/, '')
        : side === null
          ? capital(NAMES[kind])
          : `${capital(side)} ${NAMES[kind]}`,
    side,
    feeds: [],
    from: sourceFor(vehicle, kind),
    wire: { lengthM: 2, areaMm2: kind === 'turn' ? 1.5 : 1 },
    switchOhms: 0.01,
    // The current of a 2 W lamp starts most alternators; the rotor is a few ohms when cold (typical).
    ...(kind === 'charge' ? { excite: { amps: 0.12 * (12 / vehicle.systemVolts), rotorOhms: 4 } } : {}),
    ...(kind === 'dash' ? { dimmerOhms: 12 } : {}),
    ...(workedBy === 'door' ? {} : { workedBy }),
    ...(kind === 'daytime-running' ? { daytime: { lights: null, turning: null } } : {}),
    ...(mayBeWatched(vehicle, kind) ? { watched: null } : {}),
  };
  vehicle.circuits.push(circuit);
  if (circuit.from.by === 'output' && vehicle.flasher.kind === 'controller')
    vehicle.flasher.outputs.push(outputFor(circuit));
  return circuit;
}

function sourceFor(vehicle: Vehicle, kind: CircuitKind): Circuit['from'] {
  if (vehicle.flasher.kind === 'controller') return { by: 'output' };
  if (kind === 'turn') return { by: 'flasher' };
  return { by: 'switch', fuseId: fuseFor(vehicle, kind) };
}

/** The fuse a circuit of a kind goes on: made where the vehicle has none of that name. */
export function fuseFor(vehicle: Vehicle, kind: CircuitKind): string {
  const { id, name, amps } = FUSES[kind] ?? LIGHTS_FUSE;
  if (!vehicle.fuses.some((fuse) => fuse.id === id)) {
    const rating = vehicle.systemVolts === 24 ? Math.max(5, amps / 2) : amps;
    vehicle.fuses.push(bladeFuse(id, name, rating));
  }
  return id;
}

/**
 * What is printed on a fuse, as somebody read it.
 *
 * @param vehicle changed in place
 */
export function setFuseRead(vehicle: Vehicle, fuseId: string, amps: number): void {
  const fuse = vehicle.fuses.find(({ id }) => id === fuseId);
  if (!fuse) return;
  rateFuse(fuse, amps);
  delete fuse.assumed;
}

/** Circuits a body controller does not look after: nobody is warned of a dead reading lamp. */
const UNWATCHED: readonly CircuitKind[] = ['interior', 'dash', 'charge', 'marker'];

/** What takes capsules hangs on stronger outputs than signal lamps do (typical). */
const STRONG: readonly CircuitKind[] = ['front-fog', 'dipped-beam', 'main-beam', 'cornering', 'work'];

/** A controller's output for a circuit, watched as most are; its thresholds are assumed until something is seen. */
export function outputFor(circuit: Circuit): ControllerOutput {
  const limitAmps = STRONG.includes(circuit.kind) ? 25 : 10;
  const base = { circuitId: circuit.id, onOhms: 0.02, limitAmps, retries: 3, blankingSeconds: 0.12 };
  // What a door or lid lights a body computer fades; a lamp's own switch is a contact in its feed.
  if (circuit.kind === 'interior')
    return circuit.workedBy === 'lamp-switch' ? base : { ...base, fadeSeconds: 0.8, blankingSeconds: 1 };
  if (UNWATCHED.includes(circuit.kind)) return base;
  return { ...base, watch: typicalWatch(circuit) };
}

/** How a controller mostly watches an output; whether it can be told of LEDs nobody has looked up. */
export function typicalWatch(circuit: Circuit): NonNullable<ControllerOutput['watch']> {
  return {
    setting: 'filament',
    canSetLed: null,
    simulatedFilament: { amps: 1, atVolts: 13.5, law: 'filament', assumed: true },
    simulatedLed: { amps: 0.03, atVolts: 13.5, law: 'fixed', assumed: true },
    reaction: circuit.kind === 'turn' ? 'double-rate' : 'message',
    message: `Check ${circuit.name.toLowerCase()} lamps`,
    code: 'B1A00-18',
  };
}

/** `base`, or `base-2` and so on where that is taken. */
export function freeId(base: string, taken: readonly string[]): string {
  if (!taken.includes(base)) return base;
  for (let count = 2; ; count += 1) if (!taken.includes(`${base}-${count}`)) return `${base}-${count}`;
}
