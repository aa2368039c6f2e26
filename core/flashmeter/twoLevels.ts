import type { Series } from './series.ts';

/** A stretch at one of the two levels. */
export interface Run {
  on: boolean;
  /** s */
  from: number;
  until: number;
}

/** A series as the two levels it went between. */
export interface TwoLevels {
  runs: Run[];
  /** the series with its low level at 0 and its high level at 1, slow changes of brightness taken off */
  even: Series;
}

/** Levels are taken over this long, s: a camera that sets itself anew moves both. */
const WINDOW_SECONDS = 2.5;
/** Of the samples of a window, the share that lies under the low level and over the high one. */
const TAIL = 0.12;
/** A change of level is believed where the samples after it speak for it by this much log-likelihood. */
const CHANGE_COSTS = 4;
/** No sample speaks louder than this: a passing headlamp is one sample, not a flash. */
const LOUDEST = 9;
/** The levels are no sharper than this share of their distance. */
const LEAST_SCATTER = 0.04;
/** Levels that lie closer than this share of the widest apart are one: it is not flashing there. */
const LEAST_SPAN = 0.2;

/**
 * The two levels a series goes between, and when: the likeliest path of a lamp that is on or off behind the noise (Viterbi's
 * algorithm over two states), so that single wild samples make no flash. Levels follow slow changes of brightness.
 */
export function twoLevels(series: Series): TwoLevels {
  let levels = quantileLevels(series);
  let on = likeliestPath(normalised(series, levels), 0.25);
  // Once more with the levels as they are where it is on and off.
  levels = levelsOf(series, on, levels);
  let even = normalised(series, levels);
  on = likeliestPath(even, scatterOf(even, on));
  levels = levelsOf(series, on, levels);
  even = normalised(series, levels);
  return { runs: runsOf(series, even, on), even: { at: series.at, values: even } };
}

interface Levels {
  low: Float64Array;
  high: Float64Array;
}

function quantileLevels({ at, values }: Series): Levels {
  const marks = windowMarks(at);
  const found = marks.map((mark) => {
    const inside = values
      .slice(firstFrom(at, mark - WINDOW_SECONDS / 2), firstFrom(at, mark + WINDOW_SECONDS / 2))
      .sort();
    const pick = (share: number) => inside[Math.round(share * (inside.length - 1))] ?? 0;
    return { low: pick(TAIL), high: pick(1 - TAIL) };
  });
  return overTime(at, marks, found);
}

/** Means of the samples on and off about each window; a window that has only one of the two keeps what it had. */
function levelsOf({ at, values }: Series, on: Uint8Array, had: Levels): Levels {
  const marks = windowMarks(at);
  const found = marks.map((mark) => {
    const sums = [0, 0];
    const counts = [0, 0];
    const until = firstFrom(at, mark + WINDOW_SECONDS / 2);
    for (let index = firstFrom(at, mark - WINDOW_SECONDS / 2); index < until; index++) {
      const state = on[index] ?? 0;
      sums[state] = (sums[state] ?? 0) + (values[index] ?? 0);
      counts[state] = (counts[state] ?? 0) + 1;
    }
    const nearest = Math.min(at.length - 1, firstFrom(at, mark));
    const level = (state: 0 | 1, old: number) =>
      (counts[state] ?? 0) >= 2 ? (sums[state] ?? 0) / (counts[state] ?? 1) : old;
    return { low: level(0, had.low[nearest] ?? 0), high: level(1, had.high[nearest] ?? 0) };
  });
  return overTime(at, marks, found);
}

/** Levels found about some moments, at every moment: straight from one to the next. */
function overTime(
  at: Float64Array,
  marks: readonly number[],
  found: readonly { low: number; high: number }[],
): Levels {
  const low = new Float64Array(at.length);
  const high = new Float64Array(at.length);
  for (let index = 0; index < at.length; index++) {
    const [before, after, share] = between(marks, at[index] ?? 0);
    low[index] = (found[before]?.low ?? 0) * (1 - share) + (found[after]?.low ?? 0) * share;
    high[index] = (found[before]?.high ?? 0) * (1 - share) + (found[after]?.high ?? 0) * share;
  }
  return { low, high };
}

function windowMarks(at: Float64Array): number[] {
  const first = at[0] ?? 0;
  const last = at.at(-1) ?? 0;
  const half = WINDOW_SECONDS / 2;
  if (last - first <= WINDOW_SECONDS) return [(first + last) / 2];
  const steps = Math.ceil((last - first - WINDOW_SECONDS) / (half / 2));
  return Array.from({ length: steps + 1 }, (_, step) => {
    return first + half + ((last - first - WINDOW_SECONDS) * step) / steps;
  });
}

function between(marks: readonly number[], moment: number): [number, number, number] {
  const after = marks.findIndex((mark) => mark >= moment);
  if (after === 0) return [0, 0, 0];
  if (after < 0) return [marks.length - 1, marks.length - 1, 0];
  const from = marks[after - 1] ?? 0;
  return [after - 1, after, (moment - from) / ((marks[after] ?? 0) - from)];
}

/** Index of the first moment not before one. */
function firstFrom(at: Float64Array, moment: number): number {
  let [low, high] = [0, at.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((at[middle] ?? 0) < moment) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The series with its low level at 0 and its high at 1; where the two are hardly apart, all is off. */
function normalised({ values }: Series, { low, high }: Levels): Float64Array {
  let widest = 0;
  for (let index = 0; index < values.length; index++)
    widest = Math.max(widest, (high[index] ?? 0) - (low[index] ?? 0));
  return values.map((value, index) => {
    const span = (high[index] ?? 0) - (low[index] ?? 0);
    return span <= LEAST_SPAN * widest ? 0 : (value - (low[index] ?? 0)) / span;
  });
}

function scatterOf(even: Float64Array, on: Uint8Array): number {
  let squares = 0;
  let count = 0;
  for (let index = 0; index < even.length; index++) {
    // A sample at a change lies between the levels by right.
    if (on[index] !== on[index - 1] || on[index] !== on[index + 1]) continue;
    squares += ((even[index] ?? 0) - (on[index] ?? 0)) ** 2;
    count += 1;
  }
  return Math.max(LEAST_SCATTER, count < 4 ? 0.25 : Math.sqrt(squares / count));
}

function likeliestPath(even: Float64Array, scatter: number): Uint8Array {
  const count = even.length;
  const from = [new Uint8Array(count), new Uint8Array(count)] as const;
  let [off, lit] = [0, 0];
  const says = (value: number, level: 0 | 1) => Math.min(LOUDEST, (value - level) ** 2 / (2 * scatter ** 2));
  for (let index = 0; index < count; index++) {
    const value = even[index] ?? 0;
    const stayOff = off <= lit + CHANGE_COSTS;
    const stayLit = lit <= off + CHANGE_COSTS;
    from[0][index] = stayOff ? 0 : 1;
    from[1][index] = stayLit ? 1 : 0;
    const nextOff = (stayOff ? off : lit + CHANGE_COSTS) + says(value, 0);
    lit = (stayLit ? lit : off + CHANGE_COSTS) + says(value, 1);
    off = nextOff;
  }
  const on = new Uint8Array(count);
  let state: 0 | 1 = lit < off ? 1 : 0;
  for (let index = count - 1; index >= 0; index--) {
    on[index] = state;
    state = from[state][index] === 1 ? 1 : 0;
  }
  return on;
}

function runsOf({ at }: Series, even: Float64Array, on: Uint8Array): Run[] {
  const runs: Run[] = [];
  let begun = at[0] ?? 0;
  for (let index = 1; index <= at.length; index++) {
    if (index < at.length && on[index] === on[index - 1]) continue;
    const end = index === at.length ? (at[index - 1] ?? 0) : crossing(at, even, index);
    runs.push({ on: on[index - 1] === 1, from: begun, until: end });
    begun = end;
  }
  return runs;
}

/** When the level halfway was crossed between a sample and the one before. */
function crossing(at: Float64Array, even: Float64Array, index: number): number {
  const [before, after] = [even[index - 1] ?? 0, even[index] ?? 0];
  const share = before === after ? 0.5 : Math.min(1, Math.max(0, (0.5 - before) / (after - before)));
  const earlier = at[index - 1] ?? 0;
  return earlier + share * ((at[index] ?? 0) - earlier);
}
