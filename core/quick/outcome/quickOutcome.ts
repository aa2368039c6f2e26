import type { VerdictState } from '../../judge/states.ts';
import type { CircuitVerdict, RatePrediction } from '../../judge/verdict.ts';
import type { TrialResult } from '../../model/evidence.ts';
import type { Flasher, FlasherKind } from '../../model/vehicle/flasher.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';

/** What the lamps do on one kind of flasher. */
export interface SplitRow {
  flasher: FlasherKind;
  state: VerdictState;
  /** whether it flashes as it should, but on both sides at once */
  allFour: boolean;
  /** the way of that kind that is worst off, which is how it flashes */
  worst: Spoken;
}

/** One way, as far as it is spoken of. */
export interface Spoken {
  vehicle: Vehicle;
  flasher: Flasher;
  /** of what is worst off there; null where nothing is asked about */
  verdict: CircuitVerdict | null;
  /** flashes a minute; null for lamps that do not flash */
  rate: RatePrediction | null;
  allFour: boolean;
}

/** What makes every further question idle. */
export type Stop =
  | { stop: 'volts'; ledVolts: number; systemVolts: number }
  | { stop: 'converts-nothing' }
  | { stop: 'base'; code: string; bases: readonly string[]; bulbBase: string }
  | { stop: 'range'; code: string; range: readonly [number, number]; systemVolts: number };

/** The answer of a quick check: true of every way the vehicle and the LED may be. `words/quick.ts` says it. */
export interface QuickOutcome {
  /** null where the part converts nothing of these lamps, or is not for these volts: `stop` says which */
  state: VerdictState | null;
  stop: Stop | null;
  /** what was seen, where that is the answer */
  seen: TrialResult | null;
  turns: boolean;
  /** it is about shaped beams */
  beam: boolean;
  /** the way that is worst off */
  worst: Spoken | null;
  /** the rates to expect, flashes a minute; null for lamps that do not flash */
  rate: RatePrediction | null;
  /** by what flashes them, those that fall short first */
  split: readonly SplitRow[];
  /** whether one side may light the other through a single pilot */
  allFour: boolean;
  /** a whole lamp is made for a model: whether it goes in is no question of its current */
  wholeLamp: boolean;
  /** what was seen fits no way */
  fitsNone: boolean;
}
