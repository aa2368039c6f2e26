import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Behaviour, Candidate } from '../../core/choose/candidates.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Lamp } from '../../core/model/vehicle/lamp.ts';
import { electrics } from './electrics.ts';
import { engine } from './engine.ts';
import { latestOnly } from './latestOnly.ts';
import { useAnswer } from './useAnswer.ts';

const inTurn = latestOnly();
/** So many parts are run before the list is shown their results. */
const BATCH = 12;

/** How each fitting part behaves in the circuits of a lamp, run in the worker batch by batch. */
export function useBehaviours(job: Job, shelf: Shelf, lamp: Lamp, fitting: readonly Candidate[]) {
  return useAnswer(
    useQuery<ReadonlyMap<string, Behaviour>>({
      queryKey: ['behaviours', lamp.id, fitting.map((each) => each.part.id), ...electrics(job, shelf)],
      queryFn: async ({ signal }) => {
        const found = new Map<string, Behaviour>();
        for (let from = 0; from < fitting.length; from += BATCH) {
          const batch = fitting.slice(from, from + BATCH);
          for (const each of await inTurn(signal, () => engine().behavioursOf(job, shelf, lamp, batch)))
            found.set(each.partId, each);
        }
        return found;
      },
      // Another lamp's results say nothing of this one.
      placeholderData: (before, query) =>
        query?.queryKey[1] === lamp.id ? keepPreviousData(before) : undefined,
    }),
  );
}
