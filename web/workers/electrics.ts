import { evidenceRead } from '../../core/judge/evidenceRead.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';

/** What of a job and its shelf the circuit depends on: a note typed elsewhere must not start a simulation again. */
export function electrics(job: Job, shelf: Shelf) {
  const { vehicle, identified, chosen, lookOver, cures, vehicleCures, scope } = job;
  return [
    vehicleRevision(vehicle),
    revisionOf(identified),
    revisionOf(chosen),
    revisionOf(lookOver.lamps),
    revisionOf(cures),
    revisionOf(vehicleCures),
    scope ? revisionOf(scope) : 0,
    // A flash rate is told of as a trial is; of hazard, or of who knows what, it is none of its business.
    evidenceRead(job).map(revisionOf).join(),
    revisionOf(shelf),
  ] as const;
}

/** What of a vehicle has no part in its circuits: its name, which wire is which, and how it is opened. */
const NOT_ELECTRIC = new Set(['name', 'connectors', 'openings']);

/** One state of a vehicle as far as its circuits go: a screw that is written down does not judge it again. */
export function vehicleRevision(vehicle: Vehicle): string {
  return Object.entries(vehicle)
    .filter(([name]) => !NOT_ELECTRIC.has(name))
    .map(
      ([name, value]) => `${name}:${typeof value === 'object' && value !== null ? revisionOf(value) : value}`,
    )
    .join();
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
