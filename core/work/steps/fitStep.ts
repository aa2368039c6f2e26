import type { ResistorNetwork } from '../../model/cures.ts';
import type { FeedProof } from '../../wiring/feedProof.ts';
import type { StepAbout } from './stepAbout.ts';

/** What a step is, as far as its time and its order go. */
export type StepKind =
  | 'safe'
  | 'bench'
  | 'battery'
  | 'open'
  | 'swap'
  | 'whole'
  | 'repair'
  | 'mount'
  | 'tap'
  | 'harness'
  | 'cure'
  | 'switch'
  | 'test'
  | 'close'
  | 'compare'
  | 'run'
  | 'file';

/** Something that takes its time whoever waits. */
export interface StepTimer {
  what: 'cool' | 'airbag';
  /** null where only the vehicle's maker can say it, and nobody has looked it up */
  minutes: number | null;
}

/** One thing to do, small enough to tick off. What it says is made of it in `words/work/`. */
export interface FitStep {
  /** stays the same when the plan changes elsewhere, so that ticks and notes stay with their step */
  id: string;
  kind: StepKind;
  about: StepAbout;
  lampId: string | null;
  /** the panel it is about */
  openingId: string | null;
  minutes: readonly [number, number];
  /** how many times on record the minutes come from; typical where left out */
  recorded?: number;
  timer?: StepTimer;
  /** of a step about a resistor, which is drawn: which, the feed it lies across in words, and how that is known */
  load?: { network: ResistorNetwork; feed: string; proof: FeedProof };
  /** of an LED that lights one way round only: which lamp's way is written down here */
  polarityOf?: string;
  /** what is timed together with it: the same kind of opening, the same kind of work */
  timedAs: string;
  /** done as well where one of these is: an earlier plan did not have it */
  impliedBy?: readonly string[];
}

/** Whether nothing can be done yet: how long to wait for an airbag is for the vehicle's maker to say, and nobody knows. */
export function isBlocked({ timer }: Pick<FitStep, 'timer'>): boolean {
  return timer?.minutes === null;
}
