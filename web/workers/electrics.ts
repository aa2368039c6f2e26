import { evidenceRead } from '../../core/judge/evidenceRead.ts';
import type { Job } from '../../core/model/job.ts';
import type { Part, Shelf } from '../../core/model/part.ts';
import { heatReadingsOf } from '../../core/model/seen.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';

/** What one state of something comes to, as a key. */
type Revision = string | number;

/**
 * Of every field of a job what its simulations and verdicts read of it; null where that is nothing. A field that is added to
 * jobs cannot be left out here: the type wants it named.
 */
const READ: { readonly [Field in keyof Required<Job>]: ((job: Job) => Revision) | null } = {
  id: null,
  like: null,
  title: null,
  createdAt: null,
  vehicle: ({ vehicle }) => vehicleRevision(vehicle),
  scope: ({ scope }) => (scope ? revisionOf(scope) : 0),
  reopened: null,
  lookOver: ({ lookOver }) => revisionOf(lookOver.lamps),
  identified: ({ identified }) => revisionOf(identified),
  chosen: ({ chosen }) => revisionOf(chosen),
  cures: ({ cures }) => revisionOf(cures),
  vehicleCures: ({ vehicleCures }) => revisionOf(vehicleCures),
  capsules: null,
  fit: null,
  habits: null,
  polarity: null,
  lost: null,
  repairs: null,
  later: null,
  leftOff: null,
  // A flash rate is told of as a trial is; of hazard, or of who knows what, it is none of its business.
  evidence: (job) => [...evidenceRead(job), ...heatReadingsOf(job)].map(revisionOf).join(),
  attempts: null,
  handOver: null,
  pieces: null,
  kits: null,
  wrongParts: null,
  ledger: null,
  rechecks: null,
};
const READINGS = Object.values(READ).filter((each) => each !== null);

/**
 * What of a job and its shelf the circuit depends on: a note typed elsewhere, or a price, must not start a simulation again.
 * Who weighs what is in stock and what it costs adds the shelf itself.
 */
export function electrics(job: Job, shelf: Shelf): Revision[] {
  return [...READINGS.map((of) => of(job)), partsRevision(shelf)];
}

/** What of a vehicle has no part in its circuits: its name, which wire is which, and how it is opened. */
const NOT_ELECTRIC = new Set(['name', 'fleetNumber', 'connectors', 'openings', 'past']);

/** One state of a vehicle as far as its circuits go: a screw that is written down does not judge it again. */
export function vehicleRevision(vehicle: Vehicle): string {
  return Object.entries(vehicle)
    .filter(([name]) => !NOT_ELECTRIC.has(name))
    .map(
      ([name, value]) => `${name}:${typeof value === 'object' && value !== null ? revisionOf(value) : value}`,
    )
    .join();
}

const shelves = new WeakMap<Shelf, Revision>();
const parts = new WeakMap<Part, number>();
const contents = new Map<string, number>();

/** One state of a shelf as far as what is on it does in a circuit: not what it costs, nor how many there are. */
function partsRevision(shelf: Shelf): Revision {
  let revision = shelves.get(shelf);
  if (revision === undefined) {
    revision = shelf.map(partRevision).join();
    shelves.set(shelf, revision);
  }
  return revision;
}

function partRevision(part: Part): number {
  let revision = parts.get(part);
  if (revision === undefined) {
    const { price: _, stock: __, pack: ___, seller: ____, orderCode: _____, look: ______, ...rest } = part;
    const content = JSON.stringify(rest);
    revision = contents.get(content) ?? contents.size;
    contents.set(content, revision);
    parts.set(part, revision);
  }
  return revision;
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
