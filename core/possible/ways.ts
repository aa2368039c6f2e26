import { mayBeCk } from '../catalogue/bases.ts';
import { isOpen, possibleLeds } from '../circuit/engine/openLed.ts';
import { JobAnalysis } from '../judge/analysis.ts';
import type { Unknown } from '../judge/unknowns.ts';
import type { WayPlace } from '../judge/verdict.ts';
import { ownSideSeen } from '../judge/watcherSeen.ts';
import { CURE_KINDS } from '../model/cureKinds/kinds.ts';
import type { VehicleCure } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { fitThermal, setFlasher } from '../presets/flashers.ts';
import { outputOf } from '../simulation/controls.ts';
import { ledOf } from '../simulation/fitment.ts';
import { retuneAssumed } from '../vehicle/edit/assumed.ts';
import { dropEmptyCircuits } from '../vehicle/edit/circuits.ts';
import { openDaytime, setDaytime } from '../vehicle/edit/daytime.ts';
import { distinctLayouts, ofTurnsAnew, setTurnOutputs } from '../vehicle/edit/turnOutputs.ts';
import { couldBe } from './seen.ts';

/** One way a vehicle may be as far as nobody has looked: a job that says all of it. */
export interface Way extends WayPlace {
  /** whether its sides have repeaters */
  repeaters: boolean;
  /** whether one pilot lamp stands between its sides */
  pilot: boolean;
  /** how the twin wedge sockets are wired that nobody has looked at; null where it makes no difference */
  sockets: Lamp['socketWiring'] | null;
  /** whether daytime running lamps are dimmed where nobody has looked; null where it makes no difference */
  daytime: 'same' | 'dimmed' | null;
  job: Job;
  /** with its LEDs as they are on this way */
  shelf: Shelf;
}

/** What tells a way from the others, without the job it is. */
export function placeOf({ flasher, outputs, anyRelay }: WayPlace): WayPlace {
  return { flasher, outputs, ...(anyRelay ? { anyRelay } : {}) };
}

/**
 * Every way a job may be where nobody has looked: with each kind of flasher its vehicle may have, with its side repeaters
 * and without; and where something was seen, with each LED that its LED may be, since what was seen with it is then known
 * of that very LED. What else is not known stays open in each. One alone where all of that is known, which is then the
 * job as it stands.
 */
export function waysOf(job: Job, shelf: Shelf): Way[] {
  return waysSeen(job, shelf).ways;
}

/** The ways a job may be, and whether what was seen fits none of them: it then teaches nothing. */
export function waysSeen(job: Job, shelf: Shelf): { ways: Way[]; fitsNone: boolean } {
  const all = waysWith(job, shelvesOf(job, shelf));
  const left = agreeing(all);
  return left.length > 0 ? { ways: left, fitsNone: false } : { ways: all, fitsNone: true };
}

/** The ways a job's vehicle may be built, whatever its LEDs are: those stay open in each. */
export function builtWaysOf(job: Job, shelf: Shelf): Way[] {
  const built = waysWith(job, [shelf]);
  if (built.length === 1 || ownSideSeen(job).length === 0) return built;
  const left = waysOf(job, shelf);
  return built.filter((way) =>
    left.some(
      ({ flasher, repeaters, pilot, outputs, sockets, daytime }) =>
        flasher === way.flasher &&
        daytime === way.daytime &&
        sockets === way.sockets &&
        repeaters === way.repeaters &&
        pilot === way.pilot &&
        outputs === way.outputs,
    ),
  );
}

/** The ways that agree with all that was tried; where there is but one, no trial is asked. */
function agreeing(ways: readonly Way[]): Way[] {
  const [first] = ways;
  if (!first || ways.length === 1 || ownSideSeen(first.job).length === 0) return [...ways];
  return [...analysesOf(ways)].flatMap(([way, analysis]) => (couldBe(analysis) ? [way] : []));
}

function waysWith(job: Job, shelves: readonly Shelf[]): Way[] {
  const { facts, flasher } = job.vehicle;
  const kinds = facts?.flasherSeen ? [flasher.kind] : (facts?.flashers ?? [flasher.kind]);
  const has = hasRepeaters(job.vehicle);
  const repeaters = has && facts?.repeatersAssumed ? [true, false] : [has];
  const single = job.vehicle.pilot !== undefined;
  const pilots = single && facts?.pilotAssumed ? [true, false] : [single];
  const layouts = (kind: FlasherKind) =>
    kind === 'controller' && facts?.turnOutputs ? distinctLayouts(job.vehicle, facts.turnOutputs) : [null];
  const wirings: readonly Build['sockets'][] =
    openSockets(job, shelves[0] ?? []).length > 0 ? ['standard', 'ck'] : [null];
  const dims = isDaytimeOpen(job, shelves[0] ?? []);
  const days = (kind: FlasherKind): readonly Build['daytime'][] =>
    kind === 'controller' && dims ? ['same', 'dimmed'] : [null];
  const builds = kinds.flatMap((kind) =>
    layouts(kind).flatMap((outputs) =>
      repeaters.flatMap((present) =>
        pilots.flatMap((pilot) =>
          wirings.flatMap((sockets) =>
            days(kind).map(
              (daytime): Build => ({ flasher: kind, repeaters: present, pilot, outputs, sockets, daytime }),
            ),
          ),
        ),
      ),
    ),
  );
  const [only] = builds;
  if (
    builds.length === 1 &&
    only &&
    only.flasher === flasher.kind &&
    only.outputs === null &&
    only.sockets === null &&
    only.daytime === null
  )
    return shelves.map((mine) => ({ ...only, job, shelf: mine }));
  return builds.flatMap((build) => {
    const built = asBuilt(job, build);
    return shelves.map((mine) => ({ ...build, job: built, shelf: mine }));
  });
}

/** One way a vehicle may be built. */
type Build = Pick<Way, 'flasher' | 'repeaters' | 'pilot' | 'outputs' | 'sockets' | 'daytime'>;

/** The twin wedge sockets with an LED for both filaments whose wiring, standard or CK, nobody has looked at. */
export function openSockets(job: Job, shelf: Shelf): Lamp[] {
  return job.vehicle.lamps.filter(
    (lamp) =>
      lamp.socketWiring === undefined &&
      mayBeCk(job.vehicle.region, lamp.base) &&
      ledOf(job, shelf, lamp.id)?.twin !== undefined,
  );
}

/** Whether a daytime running lamp is converted of which nobody has looked whether it is dimmed: only an output can do that. */
function isDaytimeOpen(job: Job, shelf: Shelf): boolean {
  return openDaytime(job.vehicle).some(
    (circuit) => outputOf(job.vehicle, circuit)?.notPulsed !== true && feedsLed(job, shelf, circuit),
  );
}

/** Outputs with an LED of which nobody has looked whether they pulse or leak: only a controller does. */
function openPulses(job: Job, shelf: Shelf): Circuit[] {
  return job.vehicle.circuits.filter((circuit) => {
    const output = outputOf(job.vehicle, circuit);
    if (circuit.kind === 'turn' || !output || output.pwm || output.notPulsed) return false;
    return feedsLed(job, shelf, circuit);
  });
}

function feedsLed(job: Job, shelf: Shelf, { feeds }: Circuit): boolean {
  return feeds.some(({ lampId }) => ledOf(job, shelf, lampId) !== null);
}

/** What nobody has looked at of how a vehicle is built. */
export function buildUnknowns(job: Job, shelf: Shelf): Unknown[] {
  const { facts, flasher } = job.vehicle;
  const lamps = openSockets(job, shelf).map(({ name }) => name.toLowerCase());
  const pulses = openPulses(job, shelf).map(({ name }) => name.toLowerCase());
  const flashers = !facts?.flasherSeen && (facts?.flashers?.length ?? 0) > 1;
  const open: (Unknown | false | undefined)[] = [
    flashers && { what: 'flasher-not-seen', flasher: flasher.name },
    facts?.turnOutputs && !flashers && { what: 'outputs-not-seen' },
    lamps.length > 0 && { what: 'sockets-not-seen', lamps },
    (flasher.kind === 'controller' || facts?.flashers?.includes('controller')) &&
      isDaytimeOpen(job, shelf) && { what: 'daytime-not-seen' },
    pulses.length > 0 && { what: 'pulses-not-seen', circuits: pulses },
    facts?.repeatersAssumed && { what: 'repeaters-assumed' },
    facts?.pilotAssumed && { what: 'pilot-assumed' },
  ];
  return open.flatMap((each) => each || []);
}

/** The shelf with each LED that the open ones of a job may be; as it is where nothing was seen with them. */
function shelvesOf(job: Job, shelf: Shelf): Shelf[] {
  if (ownSideSeen(job).length === 0) return [shelf];
  const fitted = new Set(Object.values(job.chosen));
  const open = shelf.flatMap((part) =>
    part.kind === 'led' && fitted.has(part.id) && isOpen(part) ? [part] : [],
  );
  return open.reduce<Shelf[]>(
    (shelves, part) =>
      shelves.flatMap((each) =>
        possibleLeds(part).map((led) => each.map((one) => (one.id === part.id ? led : one))),
      ),
    [shelf],
  );
}

function hasRepeaters(vehicle: Vehicle): boolean {
  const ids = new Set(vehicle.lamps.filter((lamp) => lamp.role === 'repeater').map((lamp) => lamp.id));
  return turnCircuits(vehicle).some(({ feeds }) => feeds.some((feed) => ids.has(feed.lampId)));
}

/** The vehicles each may be built as: the very same from edit to edit, so that what was worked out of them stands. */
const built = new WeakMap<Vehicle, Map<string, Vehicle>>();

function asBuilt(job: Job, build: Build): Job {
  const known = built.get(job.vehicle) ?? new Map<string, Vehicle>();
  built.set(job.vehicle, known);
  const { flasher: kind, repeaters, pilot, outputs, sockets, daytime } = build;
  const key = `${kind} ${repeaters} ${pilot} ${outputs} ${sockets} ${daytime}`;
  const vehicle = known.get(key) ?? vehicleBuilt(job.vehicle, build);
  known.set(key, vehicle);
  const said = ofTurnsAnew(job, job.vehicle, vehicle);
  return {
    ...job,
    ...said,
    vehicle,
    vehicleCures: said.vehicleCures.filter(
      (cure) => isFor(kind, cure.kind) && (pilot || cure.kind !== 'pilot-diodes'),
    ),
  };
}

function vehicleBuilt(as: Vehicle, build: Build): Vehicle {
  const { flasher: kind, repeaters, pilot, outputs, sockets, daytime } = build;
  const vehicle = structuredClone(as);
  delete vehicle.facts?.flashers;
  delete vehicle.facts?.turnOutputs;
  delete vehicle.facts?.repeatersAssumed;
  delete vehicle.facts?.pilotAssumed;
  if (!pilot) delete vehicle.pilot;
  if (vehicle.flasher.kind !== kind) setFlasher(vehicle, kind);
  if (outputs !== null) setTurnOutputs(vehicle, outputs);
  if (!repeaters) takeRepeatersOff(vehicle);
  if (daytime)
    for (const beside of ['lights', 'turning'] as const) setDaytime(vehicle, beside, daytime, false);
  if (sockets)
    for (const lamp of vehicle.lamps) if (mayBeCk(vehicle.region, lamp.base)) lamp.socketWiring ??= sockets;
  return vehicle;
}

/** They stay on the list, without a feed: what was said of them elsewhere still finds them. */
function takeRepeatersOff(vehicle: Vehicle): void {
  const ids = new Set(vehicle.lamps.filter((lamp) => lamp.role === 'repeater').map((lamp) => lamp.id));
  for (const circuit of turnCircuits(vehicle))
    circuit.feeds = circuit.feeds.filter((feed) => !ids.has(feed.lampId));
  dropEmptyCircuits(vehicle);
  // What was made for the lamps it left the works with was made for fewer.
  fitThermal(vehicle);
  retuneAssumed(vehicle);
}

/** Where it cannot be fitted a cure is not. */
export function isFor(flasher: FlasherKind, kind: VehicleCure['kind']): boolean {
  return CURE_KINDS[kind].isFor?.(flasher) ?? true;
}

/**
 * What of the ways a vehicle may be built tells apart anything on a circuit that is on steadily: equal where nothing does.
 * What flashes the turn lamps, and whether there are repeaters, bears on it only by a controller's output or a fuse.
 */
export function steadyKey(
  { flasher, repeaters, outputs, sockets, daytime, job }: Way,
  circuitId: string,
): string {
  const { circuits, flasher: mine } = job.vehicle;
  const circuit = circuits.find(({ id }) => id === circuitId);
  const fuses = circuits.flatMap(({ kind, stopFuseId }) =>
    kind === 'turn' && stopFuseId !== undefined ? [stopFuseId] : [],
  );
  const dims = circuit?.kind === 'daytime-running' ? ` ${daytime}` : '';
  const shares = circuit?.from.by === 'switch' && [mine.fuseId, ...fuses].includes(circuit.from.fuseId);
  if (flasher === 'controller' || shares) return `${flasher} ${repeaters} ${outputs} ${sockets}${dims}`;
  return `any relay ${sockets}${dims}`;
}

/** One way of each kind that differs on a circuit that is on steadily. */
export function steadyWays(ways: readonly Way[], circuitId: string): Way[] {
  const met = new Map<string, Way[]>();
  for (const way of ways) {
    const key = steadyKey(way, circuitId);
    met.set(key, [...(met.get(key) ?? []), way]);
  }
  return [...met.values()].map((alike) => {
    const [first] = alike as [Way];
    return new Set(alike.map(({ flasher }) => flasher)).size > 1 ? { ...first, anyRelay: true } : first;
  });
}

/** What is known of each way before it is judged: ways of one vehicle share what follows from it and its bulbs alone. */
export function analysesOf(ways: readonly Way[]): ReadonlyMap<Way, JobAnalysis> {
  return new Map(ways.map((way) => [way, JobAnalysis.of(way.job, way.shelf)]));
}
