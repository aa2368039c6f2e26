import type { Job } from '../../model/job.ts';
import type { Part, Shelf } from '../../model/part.ts';
import { partReferences } from '../../model/partReferences.ts';

/** Every part of the plan that is looked at before anything is opened, in the order of the shelf; what is used up is not. */
export function partsToReceive(job: Job, shelf: Shelf): Part[] {
  // What evidence names was fitted once; the plan is what is chosen now.
  const named = new Set(
    partReferences({ ...job, evidence: [], pieces: [], wrongParts: [] }).map(({ partId }) => partId),
  );
  return shelf.filter(({ id, kind }) => named.has(id) && kind !== 'consumable');
}
