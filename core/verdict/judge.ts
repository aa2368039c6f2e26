import { widestTolerance } from '../circuit/resistorNetwork.ts';
import type { Job, Stage } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Side, TurnCircuit, WatchingRelay } from '../model/vehicle.ts';
import { fitmentOf } from '../vehicle/fitment.ts';
import { TurnNetwork } from '../vehicle/turnNetwork.ts';
import { type LimitCheck, resistorLimits, supplyLimits } from './limits.ts';
import { HealthyBands, type OutageBand } from './outageBand.ts';
import { circuitReason, hazardReason } from './reasons.ts';
import { type VerdictState, worstState } from './states.ts';
import type {
  CircuitVerdict,
  CurrentRange,
  HazardVerdict,
  JudgedPoint,
  PointVerdict,
  RatePrediction,
  TurnVerdict,
} from './verdict.ts';
import { workingPoints } from './workingPoints.ts';

/** Currents equal to this share count as equal: a stock vehicle sits exactly on its band's upper edge. */
const EQUAL_SHARE = 1e-5;

/**
 * Judges one job's turn circuits in one of its states; holds the networks so that a slider can ask often.
 * Judges of the same job share its healthy bands.
 */
export class TurnJudge {
  readonly network: TurnNetwork;
  private readonly tolerance: number;

  /** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
  constructor(
    readonly job: Job,
    shelf: Shelf,
    readonly stage: Stage,
    private readonly bands: HealthyBands = new HealthyBands(job),
  ) {
    const fitment = fitmentOf(job, shelf, stage);
    this.network = new TurnNetwork(job.vehicle, fitment);
    this.tolerance = widestTolerance(fitment.resistors);
  }

  /** One side at one supply voltage. */
  circuitAt(circuit: TurnCircuit, emfVolts: number): PointVerdict {
    return this.pointAt([circuit.side], circuit, emfVolts);
  }

  /** Both sides together at one supply voltage, against the band of the side that asks for more. */
  hazardAt(emfVolts: number): PointVerdict {
    const circuits = this.job.vehicle.circuits;
    const demanding = circuits.reduce((chosen, circuit) =>
      this.bands.at(circuit, emfVolts).highAmps > this.bands.at(chosen, emfVolts).highAmps ? circuit : chosen,
    );
    return this.pointAt(
      circuits.map((circuit) => circuit.side),
      demanding,
      emfVolts,
    );
  }

  /** Both sides, hazard, and every limit, over all working points. */
  verdict(): TurnVerdict {
    const circuits = this.job.vehicle.circuits.map((circuit) => this.circuitVerdict(circuit));
    const hazard = this.hazardVerdict();
    return {
      circuits,
      hazard,
      state: worstState([...circuits.map((each) => each.state), hazard.state]),
    };
  }

  private circuitVerdict(circuit: TurnCircuit): CircuitVerdict {
    const points = this.overPoints((volts) => this.circuitAt(circuit, volts));
    const networks = this.network.fitment.resistors.filter((each) => circuit.lampIds.includes(each.lampId));
    const limits = resistorLimits(this.job.vehicle, networks);
    const state = stateOf(points, limits);
    const worst = worstPoint(points);
    return {
      circuitId: circuit.id,
      side: circuit.side,
      state,
      points,
      worst,
      rate: predictRate(this.job.vehicle.flasher, points),
      limits,
      reason: circuitReason({ state, points, worst, limits }),
    };
  }

  private hazardVerdict(): HazardVerdict {
    const points = this.overPoints((volts) => this.hazardAt(volts));
    const litAmps = Math.max(...points.map((each) => this.hazardLitAmps(each.volts)));
    const limits = supplyLimits(this.job.vehicle, litAmps);
    const state = stateOf(points, limits);
    const worst = worstPoint(points);
    return {
      state,
      points,
      worst,
      litAmps,
      rate: predictRate(this.job.vehicle.flasher, points),
      limits,
      reason: hazardReason({ state, points, worst, limits, litAmps }),
    };
  }

  private hazardLitAmps(emfVolts: number): number {
    const sides = this.job.vehicle.circuits.map((circuit) => circuit.side);
    return this.network.solve({ emfVolts, sides, resistorFactor: 1 - this.tolerance }).totalAmps;
  }

  private overPoints(judge: (volts: number) => PointVerdict): JudgedPoint[] {
    return workingPoints(this.job.vehicle.systemVolts).map((point) => ({ point, ...judge(point.volts) }));
  }

  private pointAt(sides: readonly Side[], bandOf: TurnCircuit, emfVolts: number): PointVerdict {
    const seen = (resistorFactor: number) =>
      this.network.solve({ emfVolts, sides, resistorFactor }).watchedAmps;
    const nominal = seen(1);
    const amps =
      this.tolerance === 0
        ? { low: nominal, nominal, high: nominal }
        : { low: seen(1 + this.tolerance), nominal, high: seen(1 - this.tolerance) };
    const band = this.bands.at(bandOf, emfVolts);
    return { volts: emfVolts, band, amps, state: pointState(amps, band) };
  }
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

function predictRate(flasher: WatchingRelay, points: readonly JudgedPoint[]): RatePrediction {
  const states = points.map((each) => each.state);
  const fast = flasher.normalRate * flasher.fastMultiplier;
  return {
    low: states.every((state) => state === 'falls-short') ? fast : flasher.normalRate,
    high: states.every((state) => state === 'holds') ? flasher.normalRate : fast,
  };
}
