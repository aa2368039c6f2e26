import { widestTolerance } from '../circuit/resistorNetwork.ts';
import { thresholdAt } from '../devices/threshold.ts';
import { amps, volts } from '../formatting/format.ts';
import type { WatcherTrial } from '../model/evidence.ts';
import type { SystemVolts } from '../model/fields.ts';
import type { Job } from '../model/job.ts';
import type { LedPart, Shelf } from '../model/part.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import type { ThresholdLaw } from '../model/vehicle/flasher.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { type Fitment, healthyStock, type SocketContent } from '../simulation/fitment.ts';
import { supposedFitments } from '../simulation/supposedFitments.ts';
import { TurnCircuits } from '../simulation/turnCircuits.ts';
import type { HealthyBands, OutageBand } from './outageBand.ts';
import { ampsSeen } from './scenario.ts';
import { ownWatcherSeen } from './watcherSeen.ts';
import { likelySupply, testVolts, workingPoints } from './workingPoints.ts';

/** How a watcher's threshold may follow the supply; every one is thought possible. */
const LAWS: readonly ThresholdLaw[] = ['fixed', 'proportional', 'filament'];

/** Where the threshold can be, referred to the bulb standard's volts under one way of following the supply, A. */
interface Range {
  low: number;
  high: number;
}

/** One finding as a bound of the threshold. */
interface Bound {
  trial: WatcherTrial;
  /**
   * the current the watcher saw, over the tolerance of the resistors then fitted and all the LEDs may be, at the supply it
   * was seen at: at the ends and the middle of what that may have been, where it was not measured
   */
  at: readonly [Seen, ...Seen[]];
}

/** A current at a supply. */
interface Seen extends Range {
  volts: number;
}

/** Findings that cannot all be true of one watcher. */
export interface Contradiction {
  /** without any one of these the others agree */
  suspects: readonly WatcherTrial[];
  /** what could explain it, in words */
  text: string;
}

/**
 * The outage bands of a job as narrowed by what was seen on its vehicle; null where nothing was.
 *
 * @param prior what the stock bulbs say
 */
export function learnedBands(job: Job, shelf: Shelf, prior: HealthyBands): LearnedBands | null {
  const { vehicle } = job;
  if (ownWatcherSeen(job).length === 0 || vehicle.flasher.kind === 'non-watching-relay') return null;
  return new LearnedBands(job, shelf, prior);
}

/**
 * The band that learns. How a threshold follows the supply is unknown: fixed, in proportion, or as a filament. Each of
 * the three is narrowed by itself (a finding at 14.4 V says something of 11.8 V under each), one that no longer holds
 * together is dropped, and what is left of them is united. Findings that contradict each other are reported and, while
 * they do, teach nothing.
 */
export class LearnedBands {
  /** by the moment of the look */
  private readonly bounds = new Map<number | undefined, readonly Bound[]>();
  private readonly reference: number;
  private readonly known = new Map<string, ReadonlyMap<ThresholdLaw, Range>>();

  constructor(
    private readonly job: Job,
    private readonly shelf: Shelf,
    private readonly prior: HealthyBands,
  ) {
    this.reference = testVolts(job.vehicle.systemVolts);
  }

  /**
   * The band of a circuit at one supply, narrowed.
   *
   * @param lookSeconds after the lamps came on, in the trials as now; settled where left out
   */
  at(circuit: TurnCircuit, emfVolts: number, lookSeconds?: number): OutageBand {
    const prior = this.prior.at(circuit, emfVolts, lookSeconds);
    const ranges = [...this.rangesOf(circuit, lookSeconds)];
    if (ranges.length === 0) return prior;
    const at = (value: number, law: ThresholdLaw) => value * this.follows(law, emfVolts);
    const low = Math.min(...ranges.map(([law, range]) => at(range.low, law)));
    const high = Math.max(...ranges.map(([law, range]) => at(range.high, law)));
    return {
      ...prior,
      lowAmps: Math.max(prior.lowAmps, low),
      highAmps: Math.min(prior.highAmps, Math.max(high, low)),
    };
  }

  /** What of the trials cannot be true together; null where they agree. */
  contradiction(circuit: TurnCircuit): Contradiction | null {
    const bounds = this.boundsOf(circuit, undefined);
    if (bounds.length === 0 || this.ranges(circuit, bounds, undefined).size > 0) return null;
    const suspects = bounds
      .filter(
        (bound) =>
          this.ranges(
            circuit,
            bounds.filter((each) => each !== bound),
            undefined,
          ).size > 0,
      )
      .map((bound) => bound.trial);
    const least = bounds
      .filter(({ trial }) => trial.result === 'normal')
      .toSorted((a, b) => a.at[0].high - b.at[0].high)[0];
    const most = bounds
      .filter(({ trial }) => trial.result !== 'normal')
      .toSorted((a, b) => b.at[0].low - a.at[0].low)[0];
    const pair =
      least && most
        ? `Normal with ${amps(least.at[0].high)} at ${volts(least.at[0].volts)}, yet ${most.trial.result} with ${amps(most.at[0].low)} at ${volts(most.at[0].volts)}. `
        : '';
    return {
      suspects: suspects.length > 0 ? suspects : bounds.map((bound) => bound.trial),
      text: `${pair}One watcher cannot do both. What could explain it: a dead filament or an open resistor tap at the time, another bulb than the one listed, a supply read wrong, a stored message not cleared, or the engine’s wiring is not this vehicle’s.`,
    };
  }

  /** The laws that still hold together, with their ranges; all of the prior's where the trials contradict each other. */
  private rangesOf(circuit: TurnCircuit, lookSeconds: number | undefined): ReadonlyMap<ThresholdLaw, Range> {
    const key = `${circuit.id} ${lookSeconds}`;
    let ranges = this.known.get(key);
    if (!ranges) {
      ranges = this.ranges(circuit, this.boundsOf(circuit, lookSeconds), lookSeconds);
      if (ranges.size === 0) ranges = this.ranges(circuit, [], lookSeconds);
      this.known.set(key, ranges);
    }
    return ranges;
  }

  private ranges(
    circuit: TurnCircuit,
    bounds: readonly Bound[],
    lookSeconds: number | undefined,
  ): Map<ThresholdLaw, Range> {
    const found = new Map<ThresholdLaw, Range>();
    for (const law of LAWS) {
      const range = { low: 0, high: Number.POSITIVE_INFINITY };
      for (const { volts: at } of workingPoints(this.job.vehicle.systemVolts)) {
        const { lowAmps, highAmps } = this.prior.at(circuit, at, lookSeconds);
        range.low = Math.max(range.low, lowAmps / this.follows(law, at));
        range.high = Math.min(range.high, highAmps / this.follows(law, at));
      }
      for (const { trial, at } of bounds) {
        // Of what the supply may have been, what says least is believed.
        if (trial.result === 'normal')
          range.high = Math.min(
            range.high,
            Math.max(...at.map((each) => each.high / this.follows(law, each.volts))),
          );
        else
          range.low = Math.max(
            range.low,
            Math.min(...at.map((each) => each.low / this.follows(law, each.volts))),
          );
      }
      // A stock vehicle stands exactly on its band's edge.
      if (range.low <= range.high * (1 + 1e-6)) found.set(law, range);
    }
    return found;
  }

  /** A relay is one watcher for both sides; each output of a controller is one of its own. */
  private boundsOf(circuit: TurnCircuit, lookSeconds: number | undefined): readonly Bound[] {
    let bounds = this.bounds.get(lookSeconds);
    if (!bounds) {
      bounds = ownWatcherSeen(this.job).flatMap((trial) => {
        const [first, ...rest] = suppliesOf(trial, this.job.vehicle.systemVolts).flatMap((volts) => {
          const seen = seenAmps(this.job, this.shelf, trial, volts, lookSeconds, this.prior);
          return seen ? [{ ...seen, volts }] : [];
        });
        return first ? [{ trial, at: [first, ...rest] }] : [];
      });
      this.bounds.set(lookSeconds, bounds);
    }
    const own = this.job.vehicle.flasher.kind === 'controller';
    return bounds.filter(({ trial }) => !own || trial.circuitId === circuit.id);
  }

  private follows(law: ThresholdLaw, emfVolts: number): number {
    return thresholdAt({ amps: 1, atVolts: this.reference, law }, emfVolts);
  }
}

/** The supplies a trial may have been made at, V: the ends and the middle of what it may have been. */
export function suppliesOf({ supply, on }: WatcherTrial, systemVolts: SystemVolts): number[] {
  const [from, to] = supply ? [supply.fromVolts, supply.toVolts] : likelySupply(systemVolts, on?.engine);
  return from === to ? [from] : [from, (from + to) / 2, to];
}

/**
 * What the watcher saw in a trial at one supply it may have been made at, A, settled or so long after the lamps came on; null where a part of it is no
 * longer known.
 *
 * @param bands of the same vehicle and bulbs, where they are at hand: what was solved for them is not solved again
 */
export function seenAmps(
  job: Job,
  shelf: Shelf,
  trial: WatcherTrial,
  emfVolts: number,
  lookSeconds?: number,
  bands?: HealthyBands,
): Range | null {
  const { vehicle } = job;
  const circuit = turnCircuits(vehicle).find((each) => each.id === trial.circuitId);
  if (!circuit) return null;
  const stock = bands?.turns.fitment ?? healthyStock(job);
  const contents = new Map<string, SocketContent>(stock.contents);
  for (const lampId of lampIdsOf(circuit)) {
    if (trial.fitted.out.includes(lampId)) {
      contents.set(lampId, { kind: 'empty' });
      continue;
    }
    const partId = trial.fitted.lamps[lampId];
    if (partId === undefined || partId === null) continue;
    const part = shelf.find((each): each is LedPart => each.kind === 'led' && each.id === partId);
    if (!part) return null;
    contents.set(lampId, { kind: 'led', part });
  }
  const fitment: Fitment = { ...stock, contents, resistors: trial.fitted.networks };
  const supposed = supposedFitments(fitment);
  const tolerance = widestTolerance(trial.fitted.networks);
  const at = (end: 'least' | 'most', resistorFactor: number) =>
    supposed
      .filter((each) => each[end])
      .map((each) => {
        const network = bands ? bands.turnsWith(each.fitment) : TurnCircuits.of(vehicle, each.fitment);
        const currents = network.solve({
          emfVolts,
          sides: [circuit.side],
          lights: trial.on?.lights === true && network.lightsMatter,
          ...(trial.on?.brake ? { brake: true } : {}),
          resistorFactor,
          lookSeconds,
        });
        return ampsSeen(network, circuit, currents);
      });
  return { low: Math.min(...at('least', 1 + tolerance)), high: Math.max(...at('most', 1 - tolerance)) };
}
