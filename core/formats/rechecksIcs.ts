import { createEvents, type EventAttributes } from 'ics';
import { nameOfJob } from '../formatting/nameOfJob.ts';
import type { Job } from '../model/job.ts';
import type { Recheck } from '../model/recheck.ts';

/**
 * Rechecks as all-day entries of a calendar (RFC 5545, by the `ics` package), each with an alarm on its morning.
 *
 * @throws Error where a date is none
 */
export function rechecksIcs(
  job: Pick<Job, 'id' | 'title' | 'vehicle'>,
  rechecks: readonly Recheck[],
  now: string,
): string {
  const events = rechecks.map(({ id, what, due }): EventAttributes => {
    const [year = 0, month = 1, day = 1] = due.split('-').map(Number);
    const stamp = new Date(now);
    return {
      uid: `${job.id}-${id}@vumble`,
      productId: 'vumble',
      calName: 'Lamp rechecks',
      title: `Recheck: ${nameOfJob(job.title, job.vehicle)}`,
      description: what,
      start: [year, month, day],
      duration: { days: 1 },
      created: [
        stamp.getUTCFullYear(),
        stamp.getUTCMonth() + 1,
        stamp.getUTCDate(),
        stamp.getUTCHours(),
        stamp.getUTCMinutes(),
      ],
      alarms: [{ action: 'display', description: what, trigger: { hours: 8, before: false } }],
    };
  });
  const { error, value } = createEvents(events);
  if (error || !value) throw error ?? new Error('no calendar was made');
  return value;
}
