import type { Series } from './series.ts';
import type { Run } from './twoLevels.ts';

/** Within a flash an LED that strobes is dark for no longer than this, s. */
const LONGEST_STROBE_GAP = 0.12;
/** Gaps of a strobe and gaps of a flash differ by this factor at least. */
const APART = 1.8;

/** The dark between flashes and the dark within a strobing flash, told apart by length; null where it does not strobe. */
function strobeGap(gaps: readonly number[]): number | null {
  const sorted = gaps.toSorted((a, b) => a - b);
  let best: { ratio: number; gap: number } | null = null;
  for (let index = 1; index < sorted.length; index++) {
    const [short, long] = [sorted[index - 1] ?? 0, sorted[index] ?? 0];
    if (short > LONGEST_STROBE_GAP) break;
    const ratio = long / Math.max(short, 1e-3);
    // Fewer flashes than this between which it is dark long, and there is nothing to go by.
    if (sorted.length - index < 3) break;
    if (ratio > APART && (!best || ratio > best.ratio)) best = { ratio, gap: (short + long) / 2 };
  }
  return best?.gap ?? null;
}

/** Runs with the short darks of a strobing LED taken for part of its flash. */
export function withoutStrobe(runs: readonly Run[]): Run[] {
  const inner = runs.slice(1, -1).filter(({ on }) => !on);
  const gap = strobeGap(inner.map(({ from, until }) => until - from));
  if (gap === null) return [...runs];
  const merged: Run[] = [];
  runs.forEach((run, index) => {
    const last = merged.at(-1);
    const isGap = !run.on && index > 0 && index < runs.length - 1 && run.until - run.from < gap;
    if (last?.on && (isGap || run.on)) last.until = run.until;
    else merged.push({ ...run });
  });
  return merged;
}

/**
 * A series with every dark shorter than a strobe's filled in: the highest of what is about each sample, and of those the lowest
 * (a morphological closing). Flashes are dark for longer, and stay.
 */
export function strobeFilled({ at, values }: Series): Series {
  const reach = LONGEST_STROBE_GAP / 2;
  return { at, values: about(at, about(at, values, reach, Math.max), reach, Math.min) };
}

function about(at: Float64Array, values: Float64Array, reach: number, of: (a: number, b: number) => number) {
  let from = 0;
  return values.map((value, index) => {
    const moment = at[index] ?? 0;
    while ((at[from] ?? 0) < moment - reach) from += 1;
    let best = value;
    for (let near = from; near < at.length && (at[near] ?? 0) <= moment + reach; near++)
      best = of(best, values[near] ?? 0);
    return best;
  });
}

/** Samples as the runs have them: 1 where on, 0 where off. */
export function asRuns(at: Float64Array, runs: readonly Run[]): Series {
  let run = 0;
  const values = Float64Array.from(at, (moment) => {
    while (run < runs.length - 1 && moment >= (runs[run]?.until ?? 0)) run += 1;
    return runs[run]?.on ? 1 : 0;
  });
  return { at, values };
}
