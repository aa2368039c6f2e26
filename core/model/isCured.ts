import type { Job } from './job.ts';

/** Whether a job has any cure; a circuit decided to need none has none. */
export function isCured({ cures, vehicleCures }: Pick<Job, 'cures' | 'vehicleCures'>): boolean {
  return vehicleCures.length > 0 || Object.values(cures).some((cure) => cure !== null);
}
