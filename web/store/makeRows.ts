import type { Job } from '../../core/model/job.ts';
import type { Part } from '../../core/model/part.ts';
import type { ShelfMovement } from '../../core/model/pieces.ts';
import { heldBy } from './held.ts';
import type { JobRow } from './tableRows.ts';

/** The pieces that were there when a part came to the shelf. */
export function firstCount({ id, stock }: Pick<Part, 'id' | 'stock'>, at: string): ShelfMovement {
  return { id: `first-${crypto.randomUUID()}`, partId: id, at, kind: 'counted', pieces: stock };
}

export function rowOf(job: Job, updatedAt: string = job.createdAt): JobRow {
  return withJob({ id: job.id, job, updatedAt, deleted: 0 }, job);
}

/** A row with its job as it is now, and what that holds of the shelf. */
export function withJob<R extends Pick<JobRow, 'id'>>(row: R, job: Job): R & Pick<JobRow, 'job' | 'held'> {
  return { ...row, job, held: heldBy(row.id, job) };
}
