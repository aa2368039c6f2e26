import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { watcherTrials } from '../../core/model/seen.ts';

/** What of a job and its shelf the circuit depends on: a note typed elsewhere must not start a simulation again. */
export function electrics(job: Job, shelf: Shelf) {
  const { vehicle, identified, chosen, lookOver, cures, vehicleCures } = job;
  return [
    revisionOf(vehicle),
    revisionOf(identified),
    revisionOf(chosen),
    revisionOf(lookOver.lamps),
    revisionOf(cures),
    revisionOf(vehicleCures),
    // A rate or a proof that is recorded is none of its business.
    watcherTrials(job).map(revisionOf).join(),
    revisionOf(shelf),
  ] as const;
}

const revisions = new WeakMap<object, number>();
let latest = 0;

/**
 * A number for one state of a value that is replaced, never changed: equal only for the very same. Queries are kept
 * under it, so that a vehicle of thirty lamps is not written out at every render.
 */
export function revisionOf(value: object): number {
  let revision = revisions.get(value);
  if (revision === undefined) {
    latest += 1;
    revision = latest;
    revisions.set(value, revision);
  }
  return revision;
}
