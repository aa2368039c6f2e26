import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import type { CureBoard } from '../../core/cures/board/board.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { electrics } from './electrics.ts';
import { engine } from './engine.ts';
import { queries } from './queries.ts';
import { useAnswer } from './useAnswer.ts';

const boardOf = (job: Job, shelf: Shelf) =>
  queryOptions<CureBoard>({
    queryKey: ['cure-board', ...electrics(job, shelf)],
    queryFn: async () => {
      const start = performance.now();
      const board = await engine().cureBoard(job, shelf);
      // For `npm run bench:browser`, which reads it in Chromium.
      performance.measure('verdict', { start });
      return board;
    },
  });

/** Every circuit of the vehicle, judged in the worker; the old board stays until the new is there. */
export function useCureBoard(job: Job, shelf: Shelf) {
  return useAnswer(useQuery({ ...boardOf(job, shelf), placeholderData: keepPreviousData }));
}

/**
 * Lets the worker begin with the very job that is about to be drawn.
 *
 * @returns when it has answered, or has failed to, which whoever draws the board is told
 */
export function startCureBoard(job: Job, shelf: Shelf): Promise<void> {
  return queries.prefetchQuery(boardOf(job, shelf));
}
