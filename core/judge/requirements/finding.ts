import type { Source } from '../../model/source.ts';
import type { VerdictState } from '../states.ts';

/** What a circuit is held against. */
export type Requirement =
  | 'watch'
  | 'sense'
  | 'excitation'
  | 'fuse'
  | 'relay'
  | 'output'
  | 'switch'
  | 'resistor'
  | 'mount'
  | 'built-in-heat'
  | 'cold-start'
  | 'sweep'
  | 'rate'
  | 'back-feed'
  | 'dimmer'
  | 'more-than-stock'
  | 'unlooked';

/** What a requirement found, in its figures: A, V, W, s, flashes a minute, shares. */
export type Found =
  | { requirement: 'sense'; unit: string; isRead: boolean; heldVolts: number; underVolts: number }
  | { requirement: 'excitation'; amps: number; neededAmps: number; atVolts: number }
  | { requirement: 'mount' | 'built-in-heat'; heat: string }
  | { requirement: 'cold-start'; amps: number; limitAmps: number }
  | {
      requirement: 'sweep';
      lampId: string;
      /** how many more lamps do not finish */
      others: number;
      ratePerMinute: number;
      onSeconds: number;
      sweepSeconds: number;
    }
  | {
      requirement: 'rate';
      flasherName: string;
      ratePerMinute: number;
      lowest: number;
      highest: number;
      source: Source;
      screw: { turn: 'clockwise' | 'anticlockwise' | 'from where it stands'; settleSeconds: number } | null;
    }
  | { requirement: 'back-feed'; lampId: string; amps: number; ratedShare: number }
  | { requirement: 'dimmer'; leftShare: number }
  | { requirement: 'more-than-stock'; amps: number; stockAmps: number; atVolts: number }
  | { requirement: 'unlooked'; look: 'setting'; flasherName: string }
  | { requirement: 'unlooked'; look: 'mount'; lampIds: readonly string[] };

/** What one requirement says of a circuit, with the figures that decide: words make a sentence of it. */
export type Finding = Found & {
  state: VerdictState;
  /** so on some of the ways the job may turn out to be, not on others */
  onSome?: true;
};

/** What hangs on a fuse: what flashes, and whether anything else is lit beside it. */
export interface OnFuse {
  flashing: 'hazard' | 'side' | null;
  beside: boolean;
}

/** What a limit is of, with what its sentence needs beside value and limit. */
export type LimitOf =
  | { kind: 'fuse-heating' | 'fuse-lit'; on: OnFuse }
  | { kind: 'relay'; draws: 'hazard' | 'side'; trailerAmps: number }
  | { kind: 'output' }
  | { kind: 'switch'; stockAmps: number }
  | { kind: 'resistor'; ohms: number; atVolts: number }
  | { kind: 'mount' };

/** A current or power against what it may not exceed. */
export type LimitCheck = LimitOf & {
  /** the part it is of: a fuse, a relay, the lamp a resistor is at */
  name: string;
  value: number;
  limit: number;
  unit: 'A' | 'W';
  ok: boolean;
};

/** A check of a value against its limit. */
export function limitCheck(
  of: LimitOf,
  name: string,
  value: number,
  limit: number,
  unit: LimitCheck['unit'] = 'A',
  ok = value <= limit,
): LimitCheck {
  return { ...of, name, value, limit, unit, ok };
}
