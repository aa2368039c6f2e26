import { createEvents, type EventAttributes } from 'ics';
import { nameOfJob } from '../formatting/nameOfJob.ts';
import type { Recheck } from '../model/recheck.ts';

/** A job, as far as an entry of a calendar names it. */
interface Named {
  id: string;
  title: string;
  vehicle: { name: string };
}

/**
 * Rechecks as all-day entries of a calendar (RFC 5545, by the `ics` package), each with an alarm on its morning.
 *
 * @throws Error where a date is none
 */
export function rechecksIcs(due: readonly { job: Named; recheck: Recheck }[], now: string): string {
  const events = due.map(({ job, recheck }): EventAttributes => {
    const { id, what, due: on } = recheck;
    const [year = 0, month = 1, day = 1] = on.split('-').map(Number);
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
