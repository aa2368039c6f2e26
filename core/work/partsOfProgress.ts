import type { Job } from '../model/job.ts';
import type { Part, Shelf } from '../model/part.ts';
import { partReferences } from '../model/partReferences.ts';

/**
 * The parts of a shelf that how far a job has come hangs on: those it names, what is in their boxes, and what its joints
 * are made with.
 */
export function partsOfProgress(job: Job, shelf: Shelf): Part[] {
  const named = new Set(partReferences(job).map(({ partId }) => partId));
  for (const part of shelf)
    if (part.kind === 'kit' && named.has(part.id))
      for (const { partId } of part.sheet.items) if (partId) named.add(partId);
  return shelf.filter((part) => part.kind === 'consumable' || named.has(part.id));
}
