/** One flash that was found: lit from, and until, s on the clock of the recording. */
export interface Flash {
  from: number;
  /** null where only its beginning is known, as of a tap */
  until: number | null;
}

/** A flash rate with what it rests on. */
export interface Rate {
  /** flashes a minute */
  perMinute: number;
  /** half-width of the 95 % interval, flashes a minute */
  uncertainty: number;
}

/** Feed that pulses while it is on. */
export interface Pulses {
  hertz: number;
  /** share of a pulse that is on, 0 to 1 */
  duty: number;
}

/** Why a recording gives no rate; `core/words/flashMeter.ts` says it. */
export type NoRate =
  | { why: 'too-few'; flashes: number; wanted: number }
  | { why: 'doubled' }
  | { why: 'missed'; share: number }
  | { why: 'uneven'; share: number }
  | { why: 'changes'; from: number; to: number }
  | { why: 'steady' }
  | { why: 'noise' }
  | { why: 'strobe'; hertz: number }
  | { why: 'too-coarse'; samplesPerSecond: number }
  | { why: 'no-clicks' };

/** What else a recording may show: a rate of every second flash, or a pulsed lamp beating with the frames. */
export type Doubt = 'one-click-a-flash' | 'beat';

/** What was found beside the rate. */
interface Found {
  /** in the order they came */
  flashes: Flash[];
  /** of a light or a feed: share of the time it was on, 0 to 1; null where it cannot be told */
  onShare: number | null;
  /** standard deviation of the flashes about an even beat, s */
  jitter: number;
  /** flashes that were bridged, and marks that were taken for no flash */
  missed: number;
  dropped: number;
  pulses: Pulses | null;
}

/**
 * A flash rate as read from a recording: one rate; two or more between which the recording cannot tell (null: no flashing
 * at all), until one look settles it; or none, with the reason.
 */
export type FlashReading =
  | ({ kind: 'rate'; rate: Rate } & Found)
  | ({ kind: 'either'; doubt: Doubt; rates: (Rate | null)[] } & Found)
  | { kind: 'not-sure'; reason: NoRate; flashes: Flash[]; pulses: Pulses | null };
