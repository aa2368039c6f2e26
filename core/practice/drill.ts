import type { EarthCheck } from '../catalogue/finder.ts';
import type { OhmsInterval } from '../cures/loadResistor/interval.ts';
import type { QuickOutcome } from '../quick/outcome/quickOutcome.ts';
import type { QuickQuestion } from '../quick/question.ts';

export const DRILL_KINDS = ['wires', 'socket', 'flash', 'resistor'] as const;
export type DrillKind = (typeof DRILL_KINDS)[number];

/** What a meter shows at one cavity with one thing switched on. */
export interface DrillReading {
  volts: number;
  /** it bounces with the flash */
  bounces: boolean;
}

/** One question of a drill: which of its options is right the engine has worked out. */
export type DrillQuestion =
  | {
      kind: 'wires';
      vehicle: string;
      plug: string;
      /** the function that is asked for, `left turn` */
      wanted: string;
      /** what was switched on, one after the other */
      switched: readonly string[];
      /** by cavity, then by what was switched on */
      readings: readonly (readonly DrillReading[])[];
      options: readonly string[];
      right: number;
    }
  | { kind: 'socket'; earths: readonly [number, number]; options: readonly EarthCheck[]; right: number }
  | {
      kind: 'flash';
      question: QuickQuestion;
      outcome: QuickOutcome;
      options: readonly ('normal' | 'fast' | 'either')[];
      right: number;
    }
  | {
      kind: 'resistor';
      vehicle: string;
      side: string;
      converted: readonly string[];
      interval: OhmsInterval;
      tolerance: number;
      options: readonly number[];
      right: number;
    };
