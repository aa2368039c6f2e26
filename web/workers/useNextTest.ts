import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { electrics } from './electrics.ts';
import { tracer } from './engine.ts';
import type { SaidTest } from './engine.worker.ts';

/** The test that would tell most of a turn circuit's LEDs, worked out by the other worker: nothing waits for it. */
export function useNextTest(job: Job, shelf: Shelf, circuitId: string, enabled: boolean) {
  return useQuery<SaidTest | null>({
    queryKey: ['next-test', circuitId, ...electrics(job, shelf)],
    queryFn: () => tracer().nextTurnTest(job, shelf, circuitId, false),
    placeholderData: keepPreviousData,
    enabled,
  });
}
