import type { FuseRating } from '../../model/vehicle/fuseRating.ts';

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
  /** of a fuse nobody has read: it may be kept or broken, by what the fuse may be rated, A */
  open?: FuseRating;
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
