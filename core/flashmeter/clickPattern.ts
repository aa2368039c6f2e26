import { fitLine, median } from '../numerics/regression.ts';
import { FEWEST_FLASHES } from './evenBeat.ts';
import type { Click } from './onsets.ts';

/** Flashes between these rates are looked for, a minute. */
const SLOWEST = 25;
export const FASTEST = 320;
/** A click is of a beat when it is this near to it, share of its period, and never nearer than this, s. */
const NEAR_SHARE = 0.035;
const NEAR_SECONDS = 0.008;
/** Of all clicks, so many are of the beat; of all beats, so many have their click. */
const MOST_STRAY = 0.2;
const LEAST_FILLED = 0.75;
/** Two clicks a flash whose halves are more alike than this share of its period are evenly spread. */
const EVEN = 0.06;
/** One of the clicks of a flash: where in its period it comes, and those that are it. */
export interface Stroke {
  clicks: Click[];
  /** how many periods after the first each came */
  counts: number[];
}

/** A period, and the strokes it has. */
export interface Pattern {
  period: number;
  strokes: Stroke[];
  stray: number;
}

/**
 * The shortest period all but a few clicks fit, with one stroke or two. A longer one fits as well, of two and three flashes;
 * a shorter one has strokes where there are none.
 */
export function shortestPattern(clicks: readonly Click[]): Pattern | null {
  for (const period of candidatePeriods(clicks)) {
    const pattern = patternOf(clicks, period);
    if (pattern) return pattern;
  }
  return null;
}

/** Times from each click to those after it, taken together where they agree, the shortest first, s. */
function candidatePeriods(clicks: readonly Click[]): number[] {
  const differences: number[] = [];
  clicks.forEach(({ at }, index) => {
    for (let later = index + 1; later < clicks.length; later++) {
      const difference = (clicks[later]?.at ?? 0) - at;
      if (difference > 60 / SLOWEST) break;
      if (difference > 30 / FASTEST) differences.push(difference);
    }
  });
  differences.sort((a, b) => a - b);
  const found: number[] = [];
  let group: number[] = [];
  const close = () => {
    if (group.length >= Math.max(3, clicks.length / 5)) found.push(median(group));
    group = [];
  };
  for (const difference of differences) {
    const last = group.at(-1);
    if (last !== undefined && difference - last > Math.max(NEAR_SECONDS / 2, 0.01 * difference)) close();
    group.push(difference);
  }
  close();
  return found;
}

function patternOf(clicks: readonly Click[], near: number): Pattern | null {
  const strokes: Stroke[] = [];
  // The period drifts off by what it is wrong times the flashes: each stroke corrects it as it goes along.
  const tolerance = Math.max(NEAR_SECONDS, NEAR_SHARE * near);
  const left = new Set(clicks);
  while (strokes.length < 2 && left.size > MOST_STRAY * clicks.length) {
    const best = bestStroke([...left], near, tolerance);
    if (!best || best.clicks.length < FEWEST_FLASHES - 1) break;
    strokes.push(best);
    for (const click of best.clicks) left.delete(click);
  }
  const stray = left.size;
  if (strokes.length === 0 || stray > MOST_STRAY * clicks.length) return null;
  const filled = strokes.every(({ clicks: each, counts }) => {
    const span = (counts.at(-1) ?? 0) - (counts[0] ?? 0) + 1;
    return each.length >= LEAST_FILLED * span;
  });
  if (!filled || !spansAlike(strokes, clicks)) return null;
  const period = median(strokes.map(({ clicks: each, counts }) => slopeOf(each, counts)));
  const [first, second] = strokes;
  if (first && second) {
    const share = phaseBetween(first, second, period);
    // Evenly spread: one stroke of half the period fits as well, and says more.
    if (Math.abs(share - 0.5) < EVEN) return half(first, second, period, stray);
  }
  return {
    period,
    strokes: strokes.toSorted((a, b) => (a.clicks[0]?.at ?? 0) - (b.clicks[0]?.at ?? 0)),
    stray,
  };
}

/** Strokes that begin and end with the recording: one that stops halfway is something else. */
function spansAlike(strokes: readonly Stroke[], clicks: readonly Click[]): boolean {
  const whole = (clicks.at(-1)?.at ?? 0) - (clicks[0]?.at ?? 0);
  return strokes.every(({ clicks: each }) => (each.at(-1)?.at ?? 0) - (each[0]?.at ?? 0) > 0.7 * whole);
}

/** Two strokes evenly spread, as one of half the period. */
function half(first: Stroke, second: Stroke, period: number, stray: number): Pattern {
  const clicks = [...first.clicks, ...second.clicks].toSorted((a, b) => a.at - b.at);
  const start = clicks[0]?.at ?? 0;
  const counts = clicks.map(({ at }) => Math.round((2 * (at - start)) / period));
  return { period: period / 2, strokes: [{ clicks, counts }], stray };
}

/** The chain of most clicks a period apart, whichever click it begins with. */
function bestStroke(clicks: readonly Click[], near: number, tolerance: number): Stroke | null {
  let best: Stroke | null = null;
  const tried = new Set<Click>();
  for (const start of clicks) {
    if (tried.has(start)) continue;
    const stroke = chainFrom(clicks, start, near, tolerance);
    for (const click of stroke.clicks) tried.add(click);
    if (!best || stroke.clicks.length > best.clicks.length) best = stroke;
  }
  return best;
}

function chainFrom(clicks: readonly Click[], start: Click, near: number, tolerance: number): Stroke {
  const chain: Stroke = { clicks: [start], counts: [0] };
  let period = near;
  let count = 0;
  let expected = start.at;
  for (const click of clicks) {
    if (click.at <= start.at) continue;
    const steps = Math.max(1, Math.round((click.at - expected) / period));
    const miss = click.at - expected - steps * period;
    if (Math.abs(miss) > tolerance || steps > 4) continue;
    count += steps;
    chain.clicks.push(click);
    chain.counts.push(count);
    period = chain.clicks.length > 3 ? slopeOf(chain.clicks, chain.counts) : period + (0.3 * miss) / steps;
    if (Math.abs(period / near - 1) > 0.1) period = near;
    expected = click.at - 0.5 * miss;
  }
  return chain;
}

function slopeOf(clicks: readonly Click[], counts: readonly number[]): number {
  return fitLine(
    counts,
    clicks.map(({ at }) => at),
  ).slope;
}

/** Where in the period of the first stroke the second comes, 0 to 1. */
function phaseBetween(first: Stroke, second: Stroke, period: number): number {
  const shares = second.clicks.map(({ at }) => {
    const before = first.clicks.findLast((each) => each.at <= at) ?? first.clicks[0];
    return ((((at - (before?.at ?? 0)) / period) % 1) + 1) % 1;
  });
  return median(shares);
}
