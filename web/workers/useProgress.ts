import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Shelf } from '../../core/model/part.ts';
import { partsOfProgress } from '../../core/work/partsOfProgress.ts';
import type { StageProgress } from '../../core/work/stages.ts';
import { db } from '../store/db.ts';
import type { JobSummary } from '../store/jobSummaries.ts';
import { withWholeLog } from '../store/vehicleLog.ts';
import { revisionOf } from './electrics.ts';
import { engine } from './engine.ts';

/** How far a job has come, worked out in the worker: a board of two hundred jobs must not wait for it. */
export function useProgress({ id, updatedAt }: JobSummary, shelf: Shelf) {
  return useQuery<StageProgress[] | null>({
    queryKey: ['progress', id, updatedAt, revisionOf(shelf)],
    queryFn: async () => {
      const row = await db.jobs.get(id);
      // Only what bears on the job goes along: a large shelf would cost more to send than to compute with.
      if (!row) return null;
      const job = await withWholeLog(row.job);
      return engine().jobProgress(job, partsOfProgress(job, shelf));
    },
    placeholderData: keepPreviousData,
  });
}
