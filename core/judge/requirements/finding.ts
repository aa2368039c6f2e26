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

/** What one requirement says of a circuit, with the figures that decide. */
export interface Finding {
  requirement: Requirement;
  state: VerdictState;
  text: string;
}

/** A current or power against what it may not exceed. */
export interface LimitCheck {
  kind: 'fuse-heating' | 'fuse-lit' | 'relay' | 'output' | 'switch' | 'resistor' | 'mount';
  name: string;
  value: number;
  limit: number;
  unit: 'A' | 'W';
  ok: boolean;
  /** one sentence with the figures put in */
  reason: string;
}

/** @param reason one sentence for a value that is within its limit, or past it */
export function limitCheck(
  kind: LimitCheck['kind'],
  name: string,
  value: number,
  limit: number,
  reason: (ok: boolean) => string,
  unit: LimitCheck['unit'] = 'A',
  ok = value <= limit,
): LimitCheck {
  return { kind, name, value, limit, unit, ok, reason: reason(ok) };
}
