import type { Job } from '../../core/model/job.ts';
import type { JobMovement } from '../../core/model/pieces.ts';

/** What a job did with pieces of the shelf, each act as a key of the index of jobs. */
export function heldBy(jobId: string, { pieces = [] }: Pick<Job, 'pieces'>): string[] {
  return pieces.map((each) => JSON.stringify([jobId, each]));
}

/** What such a key says; of a job in the bin it is asked with that job's id. */
export function readHeld(key: unknown): (JobMovement & { jobId: string }) | null {
  try {
    const [jobId, movement] = JSON.parse(String(key)) as [string, JobMovement];
    return { ...movement, jobId };
  } catch {
    return null;
  }
}
