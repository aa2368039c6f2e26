import type { LampEvidence, Observation, TrialResult, WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf, turnCircuitsOn } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { flashRule, measuredRate } from './flashRule.ts';

type Recorded = Pick<Job, 'vehicle' | 'evidence'>;

/** Where of what stands a cause was last mended, an index from 0; -1 where none was. What was told before is no longer so. */
export function lastMended(seen: readonly Observation[]): number {
  return seen.findLastIndex((each) => each.kind === 'cause' && each.outcome === 'mended');
}

/** What was read of each, by what it was read with: its name is none of that. */
const known = new WeakMap<Observation, Read>();

interface Read {
  circuits: Vehicle['circuits'];
  region: Vehicle['region'];
  /** as it was told: of turn lamps it is of a side, on whichever of its circuits it stands */
  told: readonly WatcherTrial[];
  /** by the circuit whose watcher it tells of */
  seen: readonly WatcherTrial[];
}

/**
 * What the watcher of each circuit was seen to make of what was fitted, however it came on record: a trial, a flash rate, a
 * proof or a cell of Prove tells the same of it. What was seen before a cause was mended tells of another vehicle.
 */
export function watcherSeen(job: Recorded): WatcherTrial[] {
  return readOf(job, ({ seen }) => seen);
}

/** The same as it was told: how a side flashed, whichever of its outputs made it. */
export function sideSeen(job: Recorded): WatcherTrial[] {
  return readOf(job, ({ told }) => told);
}

function readOf(
  { vehicle, evidence }: Recorded,
  of: (read: Read) => readonly WatcherTrial[],
): WatcherTrial[] {
  const all = standing({ evidence });
  return all.slice(lastMended(all) + 1).flatMap((each) => {
    let read = known.get(each);
    const { circuits, region } = vehicle;
    if (read?.circuits !== circuits || read.region !== region) {
      const told = toldBy(vehicle, each);
      read = { circuits, region, told, seen: told.flatMap((trial) => byOutput(vehicle, trial)) };
      known.set(each, read);
    }
    return of(read);
  });
}

/**
 * What a side was seen to do, of each of its outputs: normal says it of all of them. What hurries a side is one of them:
 * which is known where all others have the stock bulbs they were made for.
 */
function byOutput(vehicle: Vehicle, trial: WatcherTrial): WatcherTrial[] {
  const side = sideOf(vehicle, trial.circuitId);
  if (side.length < 2) return [trial];
  const of = (circuit: Circuit): WatcherTrial[] => {
    const fitted = fittedOn(circuit, trial.fitted);
    return fitted ? [{ ...trial, circuitId: circuit.id, fitted }] : [];
  };
  if (trial.result === 'normal') return side.flatMap(of);
  const changed = side.filter((circuit) => !asStock(circuit, trial.fitted));
  return changed.length === 1 ? changed.flatMap(of) : [];
}

/** Whether the lamps of a circuit are known to have been the stock bulbs, all in. */
function asStock(circuit: Circuit, { configuration, lamps, out }: LampEvidence['fitted']): boolean {
  return lampIdsOf(circuit).every(
    (id) =>
      !out.includes(id) && (lamps[id] === null || (configuration === 'stock' && lamps[id] === undefined)),
  );
}

/** The turn circuits that flash together with one; itself alone where it does not flash. */
function sideOf(vehicle: Vehicle, circuitId: string): Circuit[] {
  const circuit = vehicle.circuits.find(({ id }) => id === circuitId);
  if (circuit?.kind !== 'turn' || circuit.side === null) return circuit ? [circuit] : [];
  return turnCircuitsOn(vehicle, circuit.side);
}

/**
 * Those that tell of the vehicle's own watcher: with another relay in its place, or told of LEDs, none does.
 */
export function ownWatcherSeen(job: Recorded): WatcherTrial[] {
  return watcherSeen(job).filter(isOwn);
}

/** The same as it was told of sides. */
export function ownSideSeen(job: Recorded): WatcherTrial[] {
  return sideSeen(job).filter(isOwn);
}

function isOwn({ fitted }: WatcherTrial): boolean {
  return (fitted.vehicleCures?.length ?? 0) === 0;
}

function toldBy(vehicle: Vehicle, each: Observation): WatcherTrial[] {
  switch (each.kind) {
    case 'trial': {
      const { result } = each;
      // What was normal for a moment, dark or aglow tells nothing of a watcher.
      return isOfWatcher(result) && !(result === 'normal' && each.on?.brief) ? [{ ...each, result }] : [];
    }
    case 'proof':
      if (each.result !== 'works' && each.result !== 'message') return [];
      return toldOf(vehicle, each, each.circuitId, each.result === 'works' ? 'normal' : 'message');
    case 'rate':
      return rateSeen(vehicle, each);
    case 'cell':
      return cellSeen(vehicle, each);
    default:
      return [];
  }
}

function isOfWatcher(result: TrialResult): result is WatcherTrial['result'] {
  return result !== 'dark' && result !== 'glows';
}

/** What was seen of lamps at work, as a trial of one of the circuits it is of; nothing where nobody wrote down what was fitted. */
function toldOf(
  vehicle: Vehicle,
  { id, at, vehicleId, visit, device, method, by, on, supply, fitted }: LampEvidence,
  circuitId: string,
  result: WatcherTrial['result'],
): WatcherTrial[] {
  const circuits = sideOf(vehicle, circuitId);
  const [circuit] = circuits;
  if (!circuit) return [];
  const then = fittedOn({ feeds: circuits.flatMap(({ feeds }) => feeds) }, fitted);
  // That a message came says that something watches, whatever was fitted.
  if (!then && (circuit.kind === 'turn' || result === 'normal')) return [];
  const who = by === undefined ? {} : { by };
  const told = { id, at, vehicleId, visit, device, method, ...who };
  return [{ kind: 'trial', ...told, on, supply, fitted: then ?? fitted, circuitId, result }];
}

/** Of what was fitted, what bears on one circuit; null where some of it is not known. */
function fittedOn(
  circuit: Pick<Circuit, 'feeds'>,
  fitted: LampEvidence['fitted'],
): LampEvidence['fitted'] | null {
  const lampIds = circuit.feeds.map(({ lampId }) => lampId);
  const stock = fitted.configuration === 'stock';
  if (!stock && lampIds.some((id) => fitted.lamps[id] === undefined)) return null;
  const feeds = (lampId: string, input: string) =>
    circuit.feeds.some((feed) => feed.lampId === lampId && feed.input === input);
  return {
    ...fitted,
    lamps: Object.fromEntries(lampIds.map((id) => [id, stock ? null : (fitted.lamps[id] ?? null)])),
    networks: fitted.networks.filter(({ lampId, input = 'main' }) => feeds(lampId, input)),
    out: fitted.out.filter((id) => lampIds.includes(id)),
  };
}

/** A rate is of one side; with hazard on nobody knows which of them slowed it. */
function rateSeen(vehicle: Vehicle, each: Extract<Observation, { kind: 'rate' }>): WatcherTrial[] {
  const { function: works, quantity, lampsLit } = each;
  const side = works === 'hazard' ? null : works === 'turn-left' ? 'left' : 'right';
  const circuit = vehicle.circuits.find(({ kind, side: of }) => kind === 'turn' && of === side);
  if (!circuit || quantity === null || lampsLit === 'some' || lampsLit === 'none') return [];
  switch (measuredRate(flashRule(vehicle.region), quantity)) {
    case 'too-fast':
      return toldOf(vehicle, each, circuit.id, 'fast');
    case 'too-slow':
      return toldOf(vehicle, each, circuit.id, 'slow');
    case 'within':
      return toldOf(vehicle, each, circuit.id, 'normal');
    case 'too-close-to-tell':
      return [];
  }
}

/** A cell where nothing but a watcher told anything: lamps that were dark or fed each other tell of no threshold. */
function cellSeen(vehicle: Vehicle, each: Extract<Observation, { kind: 'cell' }>): WatcherTrial[] {
  const { circuits, found } = each;
  if (found.some((one) => 'lampId' in one || 'fuseId' in one)) return [];
  const flashing = vehicle.circuits.filter(({ id, kind }) => kind === 'turn' && circuits.includes(id));
  const flash = found.find(({ what }) => what === 'fast' || what === 'slow' || what === 'none')?.what;
  return circuits.flatMap((circuitId) => {
    const told = found.some((one) => one.what === 'message' && one.circuitId === circuitId);
    if (flashing.some(({ id }) => id === circuitId)) {
      // Both sides flash: nobody knows which of them did it.
      if (new Set(flashing.map(({ side }) => side)).size > 1 || flash === 'none') return [];
      // A side is told of once, on the first of its circuits.
      if (circuitId !== flashing[0]?.id) return [];
      if (flash === 'fast' || flash === 'slow') return toldOf(vehicle, each, circuitId, flash);
      // What called may be an output that this way of wiring does not have.
      const steady = vehicle.circuits.filter(({ kind }) => kind !== 'turn').map(({ id }) => id);
      const called = found.some((one) => one.what === 'message' && !steady.includes(one.circuitId));
      return toldOf(vehicle, each, circuitId, called ? 'message' : 'normal');
    }
    return toldOf(vehicle, each, circuitId, told ? 'message' : 'normal');
  });
}
