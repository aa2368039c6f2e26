import type { ResistorNetwork } from '../model/cures.ts';

/** One thing to do, small enough to tick off. */
export interface FitStep {
  /** stays the same when the plan changes elsewhere, so that ticks and notes stay with their step */
  id: string;
  lampId: string | null;
  /** where the installer stands */
  place: string;
  title: string;
  text: string;
  cautions: readonly string[];
  /** shortest and longest, minutes (typical) */
  minutes: readonly [number, number];
  /** of a step about a resistor, which is drawn: which, and the feed it lies across, in words */
  load?: { network: ResistorNetwork; feed: string };
}
