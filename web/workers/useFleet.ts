import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { electrics, revisionOf } from './electrics.ts';
import { fitting } from './fitting.ts';

const worked = (job: Job) => [...electrics(job, []), revisionOf(job.fit)];

/** What each of some vehicles is otherwise than the first of them. */
export function useFleetDifferences(jobs: readonly Job[], shelf: Shelf) {
  return useQuery({
    queryKey: ['fleet', revisionOf(shelf), ...jobs.flatMap((job) => electrics(job, []))],
    queryFn: () => fitting().fleet(jobs, shelf),
    enabled: jobs.length > 1,
    placeholderData: keepPreviousData,
  });
}

/** The minutes each of some jobs still takes, by what was clocked on all of them. */
export function useMinutesLeft(jobs: readonly Job[], shelf: Shelf) {
  return useQuery({
    queryKey: ['minutes-left', revisionOf(shelf), ...jobs.flatMap(worked)],
    queryFn: () => fitting().minutesLeft(jobs, shelf),
    enabled: jobs.length > 0,
    placeholderData: keepPreviousData,
  });
}
