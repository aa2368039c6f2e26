import { supposing, TOPOLOGIES } from '../circuit/engine/twinLedElements.ts';
import { widestTolerance } from '../circuit/resistorNetwork.ts';
import { normalRate, underloadedRate } from '../flashers/flasher.ts';
import type { Job, Stage } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import type { Side } from '../model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/vehicle.ts';
import { type Fitment, fitmentOf } from '../vehicle/fitment.ts';
import { ALONE, type Company } from '../vehicle/litState.ts';
import { TurnNetwork } from '../vehicle/turnNetwork.ts';
import { type LearnedBands, learnedBands } from './learned.ts';
import { type LimitCheck, resistorLimits, supplyLimits, switchLimit } from './limits.ts';
import { ampsOf, flasherBand, type HealthyBands, healthyBands, type OutageBand } from './outageBand.ts';
import { circuitReason, hazardReason } from './reasons.ts';
import { type VerdictState, worstState } from './states.ts';
import { possibilities } from './unknowns.ts';
import type {
  CircuitVerdict,
  CurrentRange,
  HazardVerdict,
  JudgedPoint,
  PointVerdict,
  RatePrediction,
  TurnVerdict,
} from './verdict.ts';
import { chargingVolts, workingPoints } from './workingPoints.ts';

/** Currents equal to this share count as equal: a stock vehicle sits exactly on its band's upper edge. */
const EQUAL_SHARE = 1e-5;

/**
 * Judges one job's turn circuits in one of its states; holds the networks so that a slider can ask often.
 * Judges of the same job share its healthy bands.
 */
export class TurnJudge {
  readonly network: TurnNetwork;
  /** the same with each topology an LED of unknown inside may have: the verdict spans them all */
  private readonly supposed: readonly TurnNetwork[];
  private readonly tolerance: number;
  /** the band as narrowed by what was seen on the vehicle; null where nothing was */
  private readonly learned: LearnedBands | null;
  /** whether what was judged last fell short alone: then the next is asked alone first, and mostly no more */
  private shortBefore = false;
  /** the same job as it may turn out to be, where something is not known yet: a verdict must be right for all */
  private readonly others: readonly TurnJudge[];

  /** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
  constructor(
    readonly job: Job,
    shelf: Shelf,
    readonly stage: Stage,
    private readonly bands: HealthyBands = healthyBands(job),
    asKnown = false,
  ) {
    const fitment = fitmentOf(job, shelf, stage);
    this.learned = learnedBands(job, shelf, bands);
    this.network = new TurnNetwork(job.vehicle, fitment);
    this.supposed = supposedFitments(fitment).map((each) => new TurnNetwork(job.vehicle, each));
    this.tolerance = widestTolerance(fitment.resistors);
    // The first possibility is what this judge itself takes for granted.
    const others = asKnown ? [] : possibilities(job).jobs.slice(1);
    this.others = others.map((each) => {
      const supposed = { ...job, ...each };
      return new TurnJudge(supposed, shelf, stage, healthyBands(supposed), true);
    });
  }

  /** One side at one supply voltage. */
  circuitAt(circuit: TurnCircuit, emfVolts: number, company = ALONE): PointVerdict {
    return united([
      this.pointAt([circuit.side], circuit, emfVolts, company),
      ...this.others.map((other) => other.circuitAt(circuit, emfVolts, company)),
    ]);
  }

  /**
   * Both sides together at one supply voltage: a relay sees the sum, against the band of the side that asks for
   * more; a controller sees each output by itself, and the weaker side decides.
   */
  hazardAt(emfVolts: number, company = ALONE): PointVerdict {
    return united([
      this.knownHazardAt(emfVolts, company),
      ...this.others.map((other) => other.hazardAt(emfVolts, company)),
    ]);
  }

  private knownHazardAt(emfVolts: number, company: Company): PointVerdict {
    const circuits = turnCircuits(this.job.vehicle);
    const sides = circuits.map((circuit) => circuit.side);
    if (this.flasher.kind === 'controller') {
      const points = circuits.map((circuit) => this.pointAt(sides, circuit, emfVolts, company, true));
      return points.reduce((weak, each) =>
        each.amps.low / each.band.highAmps < weak.amps.low / weak.band.highAmps ? each : weak,
      );
    }
    const demanding = circuits.reduce((chosen, circuit) =>
      this.bandAt(circuit, emfVolts).highAmps > this.bandAt(chosen, emfVolts).highAmps ? circuit : chosen,
    );
    return this.pointAt(sides, demanding, emfVolts, company);
  }

  /** Both sides, hazard, and every limit, over all working points. */
  verdict(): TurnVerdict {
    this.shortBefore = false;
    const circuits = turnCircuits(this.job.vehicle).map((circuit) => this.sideVerdict(circuit));
    const hazard = this.job.vehicle.hazardSwitch ? this.hazardVerdict() : null;
    return {
      circuits,
      hazard,
      state: worstState([...circuits.map((each) => each.state), ...(hazard ? [hazard.state] : [])]),
      unknowns: possibilities(this.job).unknowns,
    };
  }

  /** One side over all working points. */
  sideVerdict(circuit: TurnCircuit): CircuitVerdict {
    const points = this.overPoints((volts, company) => this.circuitAt(circuit, volts, company));
    const lampIds = lampIdsOf(circuit);
    const networks = this.network.fitment.resistors.filter((each) => lampIds.includes(each.lampId));
    const limits = [
      // Without a hazard switch one side at a time is all that fuse and relay ever carry.
      ...(this.job.vehicle.hazardSwitch ? [] : this.supplyLimits([circuit.side], points)),
      ...switchLimit(this.flasher, this.litAmps([circuit.side], points), this.stockAmps(circuit)),
      ...resistorLimits(this.job.vehicle, networks),
    ];
    const state = stateOf(points, limits);
    const worst = worstPoint(points);
    return {
      circuitId: circuit.id,
      side: circuit.side,
      state,
      points,
      worst,
      rate: predictRate(this.flasher, points),
      limits,
      reason: circuitReason({ flasher: this.flasher, state, points, worst, limits }),
    };
  }

  /** What the healthy stock bulbs of a side draw with the engine charging, A. */
  private stockAmps(circuit: TurnCircuit): number {
    return this.bands.at(circuit, chargingVolts(this.job.vehicle.systemVolts)).highAmps;
  }

  private hazardVerdict(): HazardVerdict {
    const points = this.overPoints((volts, company) => this.hazardAt(volts, company));
    const sides = turnCircuits(this.job.vehicle).map((circuit) => circuit.side);
    const litAmps = this.litAmps(sides, points);
    const limits = supplyLimits(
      this.job.vehicle,
      this.flasher,
      litAmps,
      'Hazard',
      this.outputAmps(sides, points),
    );
    const state = stateOf(points, limits);
    const worst = worstPoint(points);
    return {
      state,
      points,
      worst,
      litAmps,
      rate: predictRate(this.flasher, points),
      limits,
      reason: hazardReason({ flasher: this.flasher, state, points, worst, limits, litAmps }),
    };
  }

  private supplyLimits(sides: readonly Side[], points: readonly JudgedPoint[]): LimitCheck[] {
    return supplyLimits(this.job.vehicle, this.flasher, this.litAmps(sides, points), 'A side');
  }

  /** The highest lit current of some sides over all points and tolerances, A. */
  private litAmps(sides: readonly Side[], points: readonly JudgedPoint[]): number {
    const resistorFactor = 1 - this.tolerance;
    return Math.max(
      ...points.map((each) => this.network.solve({ emfVolts: each.volts, sides, resistorFactor }).totalAmps),
    );
  }

  /** The highest current one turn output carries: the sides need not be alike, A. */
  private outputAmps(sides: readonly Side[], points: readonly JudgedPoint[]): number {
    const resistorFactor = 1 - this.tolerance;
    return Math.max(
      ...points.flatMap(({ volts: emfVolts }) => {
        const solved = this.network.solve({ emfVolts, sides, resistorFactor });
        return turnCircuits(this.job.vehicle).map((circuit) => ampsOf(solved, lampIdsOf(circuit)));
      }),
    );
  }

  /**
   * Every working point; and where the turn lamps hang together with lights or brake, with those on too. They only
   * ever take from the turn feed: what holds with all of them on holds without, and what falls short without them
   * falls short with them, so that only what lies between is asked for each.
   */
  private overPoints(judge: (volts: number, company: Company) => PointVerdict): JudgedPoint[] {
    const { companies } = this.network;
    const all = companies.at(-1) ?? ALONE;
    let short = this.shortBefore;
    const judged = workingPoints(this.job.vehicle.systemVolts).flatMap((point) => {
      const at = (company: Company): JudgedPoint => ({ point, ...judge(point.volts, company) });
      if (companies.length === 1) return [at(all)];
      if (!short) {
        const on = at(all);
        if (on.state === 'holds') return [on];
      }
      const off = at(ALONE);
      short = off.state === 'falls-short';
      return short ? [off] : [off, ...companies.slice(1).map(at)];
    });
    this.shortBefore = short;
    return judged;
  }

  private bandAt(circuit: TurnCircuit, emfVolts: number): OutageBand {
    return (
      flasherBand(this.flasher, circuit) ??
      this.learned?.at(circuit, emfVolts) ??
      this.bands.at(circuit, emfVolts)
    );
  }

  private get flasher(): Flasher {
    return this.network.fitment.flasher;
  }

  private pointAt(
    sides: readonly Side[],
    bandOf: TurnCircuit,
    emfVolts: number,
    company: Company,
    alone = false,
  ): PointVerdict {
    const seen = (resistorFactor: number, network = this.network) => {
      const solved = network.solve({ emfVolts, sides, resistorFactor, ...company });
      return alone ? ampsOf(solved, lampIdsOf(bandOf)) : solved.watchedAmps;
    };
    const nominal = seen(1);
    const all = [this.network, ...this.supposed];
    const amps =
      this.tolerance === 0 && this.supposed.length === 0
        ? { low: nominal, nominal, high: nominal }
        : {
            low: Math.min(...all.map((network) => seen(1 + this.tolerance, network))),
            nominal,
            high: Math.max(...all.map((network) => seen(1 - this.tolerance, network))),
          };
    const band = this.bandAt(bandOf, emfVolts);
    return { volts: emfVolts, company, band, amps, state: pointState(amps, band) };
  }
}

/** One fitment for each topology, where an LED's is not known; none where all are. */
function supposedFitments(fitment: Fitment): Fitment[] {
  const unknown = [...fitment.contents.values()].some(
    (content) => content.kind === 'led' && content.part.twin?.topology === 'unknown',
  );
  if (!unknown) return [];
  return TOPOLOGIES.map((topology) => ({
    ...fitment,
    contents: new Map(
      [...fitment.contents].map(([lampId, content]) => [
        lampId,
        content.kind === 'led' && content.part.twin?.topology === 'unknown'
          ? { kind: 'led', part: supposing(content.part, topology) }
          : content,
      ]),
    ),
  }));
}

/**
 * One point judged under every possibility. Where all agree, the one with the least to spare speaks for them; where
 * they do not, it could go either way, and the ranges of all are shown.
 */
function united(points: readonly PointVerdict[]): PointVerdict {
  const cover = ({ amps, band }: PointVerdict) => amps.low / band.highAmps;
  const tightest = points.reduce((tight, each) => (cover(each) < cover(tight) ? each : tight));
  if (points.every((each) => each.state === tightest.state)) return tightest;
  return {
    ...tightest,
    band: {
      ...tightest.band,
      lowAmps: Math.min(...points.map(({ band }) => band.lowAmps)),
      highAmps: Math.max(...points.map(({ band }) => band.highAmps)),
    },
    amps: {
      ...tightest.amps,
      low: Math.min(...points.map(({ amps }) => amps.low)),
      high: Math.max(...points.map(({ amps }) => amps.high)),
    },
    state: 'either-way',
  };
}

/** Where a current range lies against the band: above it, inside it, or below it. */
export function pointState(amps: CurrentRange, band: OutageBand): VerdictState {
  if (amps.low >= band.highAmps * (1 - EQUAL_SHARE)) return 'holds';
  if (amps.high <= band.lowAmps * (1 + EQUAL_SHARE)) return 'falls-short';
  return 'either-way';
}

function stateOf(points: readonly JudgedPoint[], limits: readonly LimitCheck[]): VerdictState {
  if (limits.some((limit) => !limit.ok)) return 'too-much';
  return worstState(points.map((each) => each.state));
}

/** The point with the least current for what its band asks; among equals the lowest volts. */
function worstPoint(points: readonly JudgedPoint[]): JudgedPoint {
  const cover = (each: JudgedPoint) => each.amps.low / each.band.highAmps;
  return points.reduce((worst, each) => (cover(each) < cover(worst) * (1 - EQUAL_SHARE) ? each : worst));
}

function predictRate(flasher: Flasher, points: readonly JudgedPoint[]): RatePrediction {
  const states = points.map((each) => each.state);
  const normal = normalRate(flasher);
  const short = underloadedRate(flasher);
  const possible = [
    ...(states.every((state) => state === 'falls-short') ? [] : [normal]),
    ...(states.every((state) => state === 'holds') ? [] : [short]),
  ];
  return { low: Math.min(...possible), high: Math.max(...possible) };
}
