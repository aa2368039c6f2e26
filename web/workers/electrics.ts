import type { Job } from '../../core/model/job.ts';

/** What of a job the circuit depends on: a note typed elsewhere must not start a simulation again. */
export function electrics({ vehicle, identified, chosen, lookOver, cures, vehicleCures }: Job) {
  return [vehicle, identified, chosen, lookOver.lamps, cures, vehicleCures] as const;
}
