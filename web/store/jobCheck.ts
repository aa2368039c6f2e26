import type { Job } from '../../core/model/job.ts';

/**
 * What refuses a job that is not one, by a ZodError. It is loaded with the first edit rather than with the first
 * screen; a transaction of the store must not wait for it, so it is asked for beforehand.
 */
export async function jobCheck(): Promise<(job: unknown) => Job> {
  const { Job } = await import('../../core/model/job.ts');
  return (job) => Job.parse(job);
}
