import { Judge } from '../judge/judge.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { type StageProgress, stageProgress } from './stages.ts';

/** How far a job has come, its verdict worked out; null where it names a part that is gone. */
export function jobProgress(job: Job, shelf: Shelf): StageProgress[] | null {
  try {
    return stageProgress(job, shelf, Judge.of(job, shelf, 'cured').vehicleState());
  } catch {
    return null;
  }
}
