import type { Job } from '../model/job.ts';
import type { Part, Shelf } from '../model/part.ts';
import { namedParts } from '../model/partReferences.ts';

/**
 * The parts of a shelf that how far a job has come hangs on: those it names, what is in their boxes, and what its joints
 * are made with.
 */
export function partsOfProgress(job: Job, shelf: Shelf): Part[] {
  const named = namedParts(job, shelf);
  return shelf.filter((part) => part.kind === 'consumable' || named.has(part.id));
}
