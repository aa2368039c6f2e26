import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { SteadyComplaint } from '../../core/cures/compare/steadyCures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { electrics, revisionOf } from './electrics.ts';
import { engine } from './engine.ts';
import { useAnswer } from './useAnswer.ts';

/** The steady circuits that something minds, each with every cure tried on it in the worker. */
export function useSteadyCures(job: Job, shelf: Shelf, enabled: boolean) {
  return useAnswer(
    useQuery<SteadyComplaint[]>({
      queryKey: ['steady-cures', revisionOf(shelf), ...electrics(job, shelf)],
      queryFn: () => engine().steadyComplaints(job, shelf),
      placeholderData: keepPreviousData,
      enabled,
    }),
  );
}
