import type { PossibleFault } from '../faults/library.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import { NOTHING_SHOWN, type Shown } from './deviations.ts';
import type { ProvingGrid } from './grid.ts';

/** How likely it is before anything was seen that nothing is wrong, against all faults together. */
export const SOUND = 0.3;
/**
 * A vehicle whose watcher wants more load as it is fitted is brought in for that, whatever else: so many times as often as any
 * other (common practice: too little load is what converted vehicles have first).
 */
const AS_FITTED = 1;
/** However surely a watcher wants more, it may be otherwise. */
const HARDLY = 0.02;

/** One way things may be: no fault, one, or two together. */
export interface Supposed {
  /** places in the grid's list of faults */
  at: readonly number[];
  row: readonly Shown[];
  prior: number;
}

/** Everything that may be so before anything was told: nothing wrong, each single fault, a watcher that wants more load. */
export function suppositionsOf(grid: ProvingGrid): { singles: readonly Supposed[]; sound: Supposed } {
  const broken = grid.faults.filter((each) => !isAsFitted(each));
  const total = broken.reduce((sum, { prior }) => sum + prior, 0) || 1;
  const singles = grid.faults.map((fault, at) => ({
    at: [at],
    row: grid.seen[at] ?? [],
    prior: isAsFitted(fault) ? AS_FITTED * fault.prior : ((1 - SOUND) * fault.prior) / total,
  }));
  // What a watcher that wants more would show is a cause of its own, and no longer nothing.
  const wanting = grid.faults.flatMap((each, at) => (isAsFitted(each) ? [{ each, at }] : []));
  const wanted = wanting.reduce((sum, { each }) => sum + each.prior, 0);
  const sound: Supposed = {
    at: [],
    row: grid.sound.map((shown, cell) =>
      wanting.reduce((left, { at }) => without(left, grid.seen[at]?.[cell] ?? NOTHING_SHOWN), shown),
    ),
    prior: SOUND * Math.max(HARDLY, 1 - wanted),
  };
  return { singles, sound };
}

/** Whether it is nothing broken, but what is fitted. */
export function isAsFitted({ fault }: PossibleFault): boolean {
  return fault.kind === 'wants-load';
}

/** What is left to be seen without something else. */
function without({ sure, maybe }: Shown, less: Shown): Shown {
  const left = (keys: readonly DeviationKey[]) =>
    keys.filter((each) => !less.sure.includes(each) && !less.maybe.includes(each));
  return { sure: left(sure), maybe: left(maybe) };
}
