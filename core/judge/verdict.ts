import type { WatcherTrial } from '../model/evidence.ts';
import type { CircuitKind } from '../model/vehicle/circuit.ts';
import type { Flasher, FlasherKind } from '../model/vehicle/flasher.ts';
import type { Side } from '../model/vehicle/lamp.ts';
import type { TurnOutputs } from '../model/vehicle/vehicle.ts';
import type { Company } from '../simulation/litState.ts';
import type { OutageBand } from './outageBand.ts';
import type { LimitCheck } from './requirements/limit.ts';
import type { Finding } from './requirements/requirements.ts';
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
  /** so long after the lamps came on current and band were compared, s; settled where left out */
  lookSeconds?: number | undefined;
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

/** One reason of a verdict, as data. */
export type Ground =
  | { of: 'limits'; limits: readonly LimitCheck[] }
  | { of: 'finding'; finding: Finding }
  /** what was seen with just what is fitted */
  | { of: 'seen'; trial: WatcherTrial }
  /** what whoever watches turn lamps makes of the verdict's points, between what else is wrong and a limit */
  | {
      of: 'flash';
      subject: 'lamps' | 'weaker-side' | 'both-sides';
      flasher: Flasher;
      wrong: readonly Finding[];
      limits: readonly LimitCheck[];
    }
  /** what whoever watches a circuit that is on steadily makes of them */
  | {
      of: 'steady';
      flasher: Flasher;
      /** null: nothing watches */
      watcher: string | null;
      /** nobody has looked whether anything does */
      asIf: boolean;
      /** seen quiet with just this, by which a first start after a sleep is not known */
      quiet: WatcherTrial | null;
    }
  /** what each way the vehicle may be built says */
  | { of: 'ways'; told: readonly WayGround[] };

/** What of a way a vehicle may be built tells it from the others. */
export interface WayPlace {
  flasher: FlasherKind;
  /** how its controller drives the turn lamps; null for a relay, or where it is as it is drawn */
  outputs: TurnOutputs | null;
  /** it stands for every kind of relay, none of which bears on what it is asked about */
  anyRelay?: true;
}

/** What one way a vehicle may be built says, with the points it says it of. */
export interface WayGround {
  where: WayPlace;
  ground: Ground;
  points: readonly JudgedPoint[];
  worst: JudgedPoint | null;
}

/** How one circuit, of whatever kind, takes what is fitted. */
export interface CircuitVerdict {
  circuitId: string;
  kind: CircuitKind;
  side: Side | null;
  state: VerdictState;
  /** what the watcher of its current alone says; holds where nobody watches */
  watched: VerdictState;
  /** the watcher's points; none where nobody watches */
  points: readonly JudgedPoint[];
  worst: JudgedPoint | null;
  /** how it flashes; null for what does not */
  rate: RatePrediction | null;
  limits: readonly LimitCheck[];
  /** everything else it was held against that has something to say */
  findings: readonly Finding[];
  /** at the bulb standard's volts, healthy stock and as fitted, A */
  stockAmps: number;
  amps: number;
  /** all that has something to say, what decides first: `words/verdicts.ts` makes sentences of it */
  why: readonly Ground[];
}

/** The verdict on a side of turn lamps: it always has a watcher, and a rate. */
export interface TurnCircuitVerdict extends CircuitVerdict {
  side: Side;
  worst: JudgedPoint;
  rate: RatePrediction;
}

export interface HazardVerdict {
  state: VerdictState;
  points: readonly JudgedPoint[];
  worst: JudgedPoint;
  /** highest lit current of all points and tolerances, A */
  litAmps: number;
  rate: RatePrediction;
  limits: readonly LimitCheck[];
  why: readonly Ground[];
}

/** Every limit a verdict was held against, hazard's first. */
export function limitsOf({ hazard, circuits }: TurnVerdict): LimitCheck[] {
  return [...(hazard?.limits ?? []), ...circuits.flatMap((each) => each.limits)];
}

export interface TurnVerdict {
  state: VerdictState;
  circuits: readonly TurnCircuitVerdict[];
  /** null for a vehicle without a hazard switch */
  hazard: HazardVerdict | null;
  /** what nobody has looked at yet that widens the band */
  unknowns: readonly Unknown[];
}
