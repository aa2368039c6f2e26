import { flashRule } from '../../../core/judge/flashRule.ts';
import type { TurnFunction } from '../../../core/model/cures.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Cell } from '../../../core/proving/cells.ts';
import type { ProvingGrid } from '../../../core/proving/grid.ts';
import { cellsTold, type ToldBy } from '../../../core/proving/toldOf.ts';
import {
  latestObservation,
  proofResult,
  turnFunctionsToProve,
  watcherLeft,
} from '../../../core/record/observations.ts';

/** How a cell stands: not looked at, as it should be, not so, or seen but its flash not counted. */
export type CellState = 'open' | 'passed' | 'failed' | 'not-sure';

export const CELL_STATE_WORDS: Record<CellState, string> = {
  open: 'not looked at yet',
  passed: 'as expected',
  failed: 'not as it should be',
  'not-sure': 'seen, its flash not counted for sure',
};

/** The function whose flash is counted in a cell; null where none is. */
export function countedIn(job: Job, cell: Cell): TurnFunction | null {
  if (cell.condition !== 'alone') return null;
  return turnFunctionsToProve(job).find((each) => each === cell.id) ?? null;
}

/** Every cell's state by what was last told of it, and told of it by what. */
export function cellStates(
  job: Job,
  grid: ProvingGrid,
): ReadonlyMap<string, { state: CellState; last: ToldBy | null }> {
  const told = cellsTold(job, grid.cells);
  return new Map(
    grid.cells.map((cell) => {
      const last = told.findLast(({ cellId }) => cellId === cell.id) ?? null;
      return [cell.id, { state: stateOf(job, cell, last), last }];
    }),
  );
}

function stateOf(job: Job, cell: Cell, last: ToldBy | null): CellState {
  const counted = countedIn(job, cell);
  const rate = counted && latestObservation(job, 'cured', counted);
  if (last && last.seen.length > 0) return 'failed';
  if (!counted) return last ? 'passed' : 'open';
  if (!rate) return last ? 'not-sure' : 'open';
  const result = proofResult(flashRule(job.vehicle.region), rate, watcherLeft(job));
  return result === 'passed' ? 'passed' : result === 'failed' ? 'failed' : 'not-sure';
}

/**
 * The cell to look at next: of the fewest that suffice the first that is open, then any that is.
 *
 * @param except the one that was just seen
 */
export function nextOpen(
  grid: ProvingGrid,
  states: ReturnType<typeof cellStates>,
  except: string | null = null,
): string | null {
  const open = (id: string) =>
    id !== except && (states.get(id)?.state === 'open' || states.get(id)?.state === 'not-sure');
  const smallest = grid.smallest.flatMap((at) => grid.cells[at]?.id ?? []);
  return smallest.find(open) ?? grid.cells.find(({ id }) => open(id))?.id ?? null;
}
