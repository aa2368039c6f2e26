import { Judge } from '../judge/judge.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { type StopProgress, stopProgress } from './stops.ts';

/** How far a job has come, its verdict worked out; null where it names a part that is gone. */
export function jobProgress(job: Job, shelf: Shelf): StopProgress[] | null {
  try {
    return stopProgress(job, shelf, Judge.of(job, shelf, 'cured').verdict().state);
  } catch {
    return null;
  }
}
