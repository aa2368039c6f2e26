import { fitLine, median, quantile, studentT95 } from '../numerics/regression.ts';
import type { NoRate, Rate } from './reading.ts';

/** Fewest flashes a rate is read from. */
export const FEWEST_FLASHES = 5;
/** Marks more uneven than this share of a period do not tell which flash they belong to. */
const MOST_JITTER = 0.2;
/** More flashes missed than this share, and the count itself is in doubt. */
const MOST_MISSED = 0.3;
/** Gaps of the second half longer or shorter than those of the first by this factor are another rate. */
const MOST_UNLIKE = 1.7;

/** Marks laid along an even beat. */
export interface EvenBeat {
  rate: Rate;
  /** s from one to the next */
  period: number;
  /** standard deviation of the marks about the beat, s */
  jitter: number;
  /** flashes that went by, those without a mark too */
  flashes: number;
  missed: number;
}

/**
 * The even beat of which some marks are: the straight line through them, flashes without a mark bridged, so that one
 * late mark costs little. The interval is that of the slope by Student's t.
 *
 * @param moments of the marks, s, ascending; at most one a flash
 * @param resolution no mark is timed better than this, s
 * @returns the beat, or why there is none
 */
export function evenBeat(moments: readonly number[], resolution: number): EvenBeat | NoRate {
  if (moments.length < FEWEST_FLASHES)
    return { why: 'too-few', flashes: moments.length, wanted: FEWEST_FLASHES };
  const all = gaps(moments);
  const two = changing(all);
  if (two) return two;
  const period = median(all);
  const counts = [0];
  for (const gap of all) counts.push((counts.at(-1) ?? 0) + Math.max(1, Math.round(gap / period)));
  const flashes = (counts.at(-1) ?? 0) + 1;
  const missed = flashes - moments.length;
  const line = fitLine(counts, moments);
  const jitter = Math.max(line.residual, resolution);
  if (missed > MOST_MISSED * flashes) return { why: 'missed', share: missed / flashes };
  if (jitter > MOST_JITTER * line.slope) return { why: 'uneven', share: jitter / line.slope };
  const perMinute = 60 / line.slope;
  const slopeError = (studentT95(moments.length - 2) * jitter) / Math.sqrt(line.spread);
  return {
    rate: { perMinute, uncertainty: (perMinute * slopeError) / line.slope },
    period: line.slope,
    jitter: line.residual,
    flashes,
    missed,
  };
}

/** Slow at first and fast after, or the other way about, is two rates: neither is the answer. */
function changing(all: readonly number[]): NoRate | null {
  const early = median(all.slice(0, Math.ceil(all.length / 2)));
  const late = median(all.slice(Math.floor(all.length / 2)));
  return Math.max(early / late, late / early) > MOST_UNLIKE
    ? { why: 'changes', from: 60 / early, to: 60 / late }
    : null;
}

/** Times from one moment to the next, s. */
export function gaps(moments: readonly number[]): number[] {
  return moments.slice(1).map((moment, index) => moment - (moments[index] ?? 0));
}

/**
 * Marks without those that follow another closer than a share of the usual gap: a flash marked twice.
 *
 * @param share of the usual gap, and `most` in seconds: a longer gap is a flash of its own
 */
export function withoutDoubled(sorted: readonly number[], share: number, most: number): number[] {
  // The upper quartile: doubled marks make short gaps, so the longer ones are the honest ones.
  const bounce = Math.min(share * quantile(gaps(sorted), 0.75), most);
  const kept: number[] = [];
  for (const moment of sorted) {
    const last = kept.at(-1);
    if (last === undefined || moment - last >= bounce) kept.push(moment);
  }
  return kept;
}
