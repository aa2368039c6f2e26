import type { Job } from '../model/job.ts';

/** What the steps of a job wait for, each once. */
export function waitsOf({ fit }: Partial<Pick<Job, 'fit'>>): string[] {
  return [
    ...new Set(
      Object.values(fit ?? {}).flatMap(({ waitingFor, doneAt }) =>
        waitingFor && !doneAt ? [waitingFor] : [],
      ),
    ),
  ];
}
