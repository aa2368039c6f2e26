import type { Side } from '../model/vehicle/lamp.ts';
import type { Company } from '../vehicle/litState.ts';
import type { LimitCheck } from './limits.ts';
import type { OutageBand } from './outageBand.ts';
import type { VerdictState } from './states.ts';
import type { Unknown } from './unknowns.ts';
import type { WorkingPoint } from './workingPoints.ts';

/** Currents the watcher may see, A: resistors at the high end, as printed, at the low end. */
export interface CurrentRange {
  low: number;
  nominal: number;
  high: number;
}

export interface PointVerdict {
  volts: number;
  /** what else is on */
  company: Company;
  band: OutageBand;
  amps: CurrentRange;
  state: VerdictState;
}

export interface JudgedPoint extends PointVerdict {
  point: WorkingPoint;
}

/** Flashes a minute: one figure, or two when it could go either way. */
export interface RatePrediction {
  low: number;
  high: number;
}

export interface CircuitVerdict {
  circuitId: string;
  side: Side;
  state: VerdictState;
  points: readonly JudgedPoint[];
  worst: JudgedPoint;
  rate: RatePrediction;
  limits: readonly LimitCheck[];
  reason: string;
}

export interface HazardVerdict {
  state: VerdictState;
  points: readonly JudgedPoint[];
  worst: JudgedPoint;
  /** highest lit current of all points and tolerances, A */
  litAmps: number;
  rate: RatePrediction;
  limits: readonly LimitCheck[];
  reason: string;
}

/** Every limit a verdict was held against, hazard's first. */
export function limitsOf({ hazard, circuits }: TurnVerdict): LimitCheck[] {
  return [...(hazard?.limits ?? []), ...circuits.flatMap((each) => each.limits)];
}

export interface TurnVerdict {
  state: VerdictState;
  circuits: readonly CircuitVerdict[];
  /** null for a vehicle without a hazard switch */
  hazard: HazardVerdict | null;
  /** what nobody has looked at yet that widens the band */
  unknowns: readonly Unknown[];
}
