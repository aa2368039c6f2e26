import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { partsOf } from '../../core/formats/jobFile.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { StageProgress } from '../../core/work/stages.ts';
import type { JobRow } from '../store/db.ts';
import { revisionOf } from './electrics.ts';
import { engine } from './engine.ts';

/** How far a job has come, worked out in the worker: a board of two hundred jobs must not wait for it. */
export function useProgress(row: JobRow, shelf: Shelf) {
  return useQuery<StageProgress[] | null>({
    queryKey: ['progress', row.id, row.updatedAt, revisionOf(shelf)],
    // Only what bears on the job goes along: a large shelf would cost more to send than to compute with.
    queryFn: () => engine().jobProgress(row.job, partsOf(row.job, shelf)),
    placeholderData: keepPreviousData,
  });
}
