import type { Job } from '../../model/job.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';

/**
 * Moves a lamp on the plan, and its twin on the other flank with it when that is asked.
 *
 * @param job changed in place
 * @param at across from the left flank and along from the nose, 0 to 1; kept within the vehicle
 */
export function moveLamp(job: Job, lamp: Pick<Lamp, 'id'>, at: Lamp['plan'], twinId?: string): void {
  const within = (share: number) => Number(Math.min(1, Math.max(0, share)).toFixed(4));
  for (const each of job.vehicle.lamps) {
    if (each.id === lamp.id) each.plan = { across: within(at.across), along: within(at.along) };
    if (each.id === twinId) each.plan = { across: within(1 - at.across), along: within(at.along) };
  }
}
