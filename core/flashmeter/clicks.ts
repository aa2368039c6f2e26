import { fitLine, mean, median, studentT95 } from '../numerics/regression.ts';
import { FEWEST_FLASHES, gaps } from './evenBeat.ts';
import { type Click, clicksOf, type Sound } from './onsets.ts';
import type { Flash, FlashReading, NoRate, Rate } from './reading.ts';

/** Flashes between these rates are looked for, a minute. */
const SLOWEST = 25;
const FASTEST = 320;
/** A click is of a beat when it is this near to it, share of its period, and never nearer than this, s. */
const NEAR_SHARE = 0.035;
const NEAR_SECONDS = 0.008;
/** Of all clicks, so many are of the beat; of all beats, so many have their click. */
const MOST_STRAY = 0.2;
const LEAST_FILLED = 0.75;
/** Two clicks a flash whose halves are more alike than this share of its period are evenly spread. */
const EVEN = 0.06;
/** Clicks of two sorts differ by so many standard errors in loudness or colour, and by so much, dB. */
const SORTS_APART = 5;
const SORTS_DB = 1.5;

/** One of the clicks of a flash: where in its period it comes, and those that are it. */
interface Stroke {
  clicks: Click[];
  /** how many periods after the first each came */
  counts: number[];
}

/** A period, and the strokes it has. */
interface Pattern {
  period: number;
  strokes: Stroke[];
  stray: number;
}

/**
 * The flash rate of a relay by its clicks: one as it closes, one as it opens. Where the two are unevenly spread or sound unlike,
 * the flash is what both make together; where they are evenly spread and alike, one click a flash and two of a flash half as
 * fast sound the same, and both are said.
 *
 * @param sound one channel, at least 2 000 samples a second
 */
export function readClicks(sound: Sound): FlashReading {
  const clicks = clicksOf(sound);
  const notSure = (reason: NoRate): FlashReading => ({
    kind: 'not-sure',
    reason,
    flashes: clicks.map(({ at }) => ({ from: at, until: null })),
    pulses: null,
  });
  if (clicks.length < 2) return notSure({ why: 'no-clicks' });
  if (clicks.length < FEWEST_FLASHES)
    return notSure({ why: 'too-few', flashes: clicks.length, wanted: FEWEST_FLASHES });
  const pattern = shortestPattern(clicks);
  if (!pattern) return notSure({ why: 'uneven', share: unevenness(clicks) });
  const first = pattern.strokes[0];
  const second = pattern.strokes[1];
  if (!first) return notSure({ why: 'no-clicks' });
  if (second) return ofTwo(first, second, pattern, clicks.length);
  return ofOne(first, pattern, clicks.length, notSure);
}

/** Two clicks a flash, unevenly spread. */
function ofTwo(first: Stroke, second: Stroke, { period, stray }: Pattern, all: number): FlashReading {
  const fitted = commonRate([first, second]);
  const flashes = pairsOf(first, second, period);
  // Which of the two closes the contact nobody hears: the share is the one or the other.
  return {
    kind: 'rate',
    rate: fitted.rate,
    flashes,
    onShare: null,
    jitter: fitted.jitter,
    missed: 2 * fitted.periods - (all - stray),
    dropped: stray,
    pulses: null,
  };
}

/** Clicks evenly spread: of two sorts that take turns, or all alike. */
function ofOne(
  stroke: Stroke,
  { stray }: Pattern,
  all: number,
  notSure: (reason: NoRate) => FlashReading,
): FlashReading {
  const fitted = commonRate([stroke]);
  const every: Rate = fitted.rate;
  const half: Rate = { perMinute: every.perMinute / 2, uncertainty: every.uncertainty / 2 };
  const found = {
    onShare: null,
    jitter: fitted.jitter,
    missed: fitted.periods - (all - stray),
    dropped: stray,
    pulses: null,
  };
  const alone: Flash[] = stroke.clicks.map(({ at }) => ({ from: at, until: null }));
  if (takeTurns(stroke)) {
    const flashes = stroke.clicks
      .filter((_, index) => (stroke.counts[index] ?? 0) % 2 === (stroke.counts[0] ?? 0) % 2)
      .map(({ at }) => ({ from: at, until: null }));
    return { kind: 'rate', rate: half, flashes, ...found };
  }
  if (every.perMinute > FASTEST) return notSure({ why: 'uneven', share: 1 });
  return { kind: 'either', doubt: 'one-click-a-flash', rates: [every, half], flashes: alone, ...found };
}

/**
 * The shortest period all but a few clicks fit, with one stroke or two. A longer one fits as well, of two and three flashes;
 * a shorter one has strokes where there are none.
 */
function shortestPattern(clicks: readonly Click[]): Pattern | null {
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

/** One rate through strokes of the same period, each with a beginning of its own. */
function commonRate(strokes: readonly Stroke[]): { rate: Rate; jitter: number; periods: number } {
  let [spread, product, squares, count, periods] = [0, 0, 0, 0, 0];
  for (const { clicks, counts } of strokes) {
    const [meanCount, meanAt] = [mean(counts), mean(clicks.map(({ at }) => at))];
    clicks.forEach(({ at }, index) => {
      spread += ((counts[index] ?? 0) - meanCount) ** 2;
      product += ((counts[index] ?? 0) - meanCount) * (at - meanAt);
    });
    count += clicks.length;
    periods = Math.max(periods, (counts.at(-1) ?? 0) - (counts[0] ?? 0) + 1);
  }
  const slope = product / spread;
  for (const { clicks, counts } of strokes) {
    const [meanCount, meanAt] = [mean(counts), mean(clicks.map(({ at }) => at))];
    clicks.forEach(({ at }, index) => {
      squares += (at - meanAt - slope * ((counts[index] ?? 0) - meanCount)) ** 2;
    });
  }
  const freedom = Math.max(1, count - strokes.length - 1);
  const jitter = Math.max(Math.sqrt(squares / freedom), 0.0005);
  const perMinute = 60 / slope;
  const uncertainty = (perMinute * studentT95(freedom) * jitter) / Math.sqrt(spread) / slope;
  return { rate: { perMinute, uncertainty }, jitter, periods };
}

function pairsOf(first: Stroke, second: Stroke, period: number): Flash[] {
  return first.clicks.map(({ at }) => {
    const closing = second.clicks.find((each) => each.at > at && each.at < at + period);
    return { from: at, until: closing?.at ?? null };
  });
}

/** Whether evenly spread clicks are of two sorts that take turns: louder and softer, brighter and duller. */
function takeTurns({ clicks, counts }: Stroke): boolean {
  const odd = clicks.filter((_, index) => (counts[index] ?? 0) % 2 === 1);
  const even = clicks.filter((_, index) => (counts[index] ?? 0) % 2 === 0);
  if (odd.length < 4 || even.length < 4) return false;
  return (
    apart(
      odd.map(({ over }) => over),
      even.map(({ over }) => over),
      SORTS_DB,
    ) ||
    apart(
      odd.map(({ colour }) => 10 * Math.log10(colour)),
      even.map(({ colour }) => 10 * Math.log10(colour)),
      SORTS_DB,
    )
  );
}

function apart(a: readonly number[], b: readonly number[], least: number): boolean {
  const difference = Math.abs(mean(a) - mean(b));
  const variance = (values: readonly number[]) =>
    values.reduce((sum, value) => sum + (value - mean(values)) ** 2, 0) / Math.max(1, values.length - 1);
  const error = Math.sqrt(variance(a) / a.length + variance(b) / b.length);
  return difference > least && difference > SORTS_APART * error;
}

/** How unlike the times between clicks are, share of their middle. */
function unevenness(clicks: readonly Click[]): number {
  const between = gaps(clicks.map(({ at }) => at));
  const middle = median(between);
  return median(between.map((gap) => Math.abs(gap - middle))) / middle;
}
