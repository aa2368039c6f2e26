import { useQuery } from '@tanstack/react-query';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { ChangedVerdict } from '../../core/possible/changedVerdicts.ts';
import { electrics, revisionOf } from './electrics.ts';
import { engine } from './engine.ts';

/** The circuits whose verdict is another since what an earlier version took for granted is open. */
export function useChangedVerdicts(job: Job, shelf: Shelf) {
  return useQuery<ChangedVerdict[]>({
    queryKey: ['changed-verdicts', job.reopened ? revisionOf(job.reopened) : 0, ...electrics(job, shelf)],
    queryFn: () => engine().changedVerdicts(job, shelf),
  });
}
