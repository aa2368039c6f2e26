import { fitLine, median, quantile, studentT95 } from '../numerics/regression.ts';
/** A flash rate read from taps, or why none is given. */
export type TapReading =
  | {
      kind: 'rate';
      ratePerMinute: number;
      uncertainty: number;
      flashes: number;
      missed: number;
      doubled: number;
    }
  | { kind: 'not-sure'; reason: string; taps: number };

/** Fewest taps a rate is read from. */
export const FEWEST_TAPS = 5;
/** A tap closer to the one before than this share of the usual gap is the same flash tapped twice. */
const DOUBLED_SHARE = 0.4;
/** A finger that bounces does so within this time, s; a longer gap is a flash, not a bounce. */
const DOUBLED_SECONDS = 0.2;
/** Taps more uneven than this share of a period do not tell which flash they belong to. */
const MOST_JITTER = 0.2;
/** More flashes missed than this share, and the count itself is in doubt. */
const MOST_MISSED = 0.3;
/** No tap is timed better than this, s: keyboard and touch screens report in steps. */
const TIMER_SECONDS = 0.005;

/**
 * Flash rate from the moments somebody tapped, one tap a flash. A doubled tap is dropped, a missed flash
 * is bridged, and the rate is the straight line through what remains: one late tap then costs little.
 *
 * @param seconds moments of the taps on any clock, s
 * @returns the rate with the half-width of its 95 % interval, flashes a minute; or the reason for none
 */
export function readTaps(seconds: readonly number[]): TapReading {
  const sorted = seconds.filter(Number.isFinite).toSorted((a, b) => a - b);
  const notSure = (reason: string): TapReading => ({ kind: 'not-sure', reason, taps: sorted.length });
  if (sorted.length < FEWEST_TAPS) return notSure(`Tap once a flash: ${FEWEST_TAPS} taps at least.`);
  const kept = withoutDoubled(sorted);
  if (kept.length < FEWEST_TAPS) return notSure('Most taps were doubled. Tap once a flash.');
  const period = median(gaps(kept));
  const counts = flashCounts(kept, period);
  const flashes = counts.at(-1) ?? 0;
  const missed = flashes + 1 - kept.length;
  if (missed > MOST_MISSED * (flashes + 1))
    return notSure('Too many flashes were missed to count them. Begin again.');
  const line = fitLine(counts, kept);
  const jitter = Math.max(line.residual, TIMER_SECONDS);
  if (jitter > MOST_JITTER * line.slope)
    return notSure('The taps are too uneven to give a rate. Begin again.');
  const ratePerMinute = 60 / line.slope;
  const slopeError = (studentT95(kept.length - 2) * jitter) / Math.sqrt(line.spread);
  return {
    kind: 'rate',
    ratePerMinute,
    uncertainty: (ratePerMinute * slopeError) / line.slope,
    flashes: flashes + 1,
    missed,
    doubled: sorted.length - kept.length,
  };
}

function withoutDoubled(sorted: readonly number[]): number[] {
  // The upper quartile: doubled taps make short gaps, so the longer ones are the honest ones.
  const usual = quantile(gaps(sorted), 0.75);
  const bounce = Math.min(DOUBLED_SHARE * usual, DOUBLED_SECONDS);
  const kept: number[] = [];
  for (const moment of sorted) {
    const last = kept.at(-1);
    if (last === undefined || moment - last >= bounce) kept.push(moment);
  }
  return kept;
}

/** Which flash each tap belongs to, counted from the first. */
function flashCounts(moments: readonly number[], period: number): number[] {
  const counts = [0];
  for (const gap of gaps(moments)) counts.push((counts.at(-1) ?? 0) + Math.max(1, Math.round(gap / period)));
  return counts;
}

function gaps(moments: readonly number[]): number[] {
  return moments.slice(1).map((moment, index) => moment - (moments[index] ?? 0));
}
