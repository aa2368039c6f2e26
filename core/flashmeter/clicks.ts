import { mean, median, studentT95 } from '../numerics/regression.ts';
import { FASTEST, type Pattern, type Stroke, shortestPattern } from './clickPattern.ts';
import { FEWEST_FLASHES, gaps } from './evenBeat.ts';
import { type Click, clicksOf, type Sound } from './onsets.ts';
import type { Flash, FlashReading, NoRate, Rate } from './reading.ts';

/** Clicks of two sorts differ by so many standard errors in loudness or colour, and by so much, dB. */
const SORTS_APART = 5;
const SORTS_DB = 1.5;

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
