import { type JobCopy, sealedJob } from '../../../core/handoff/mergeJobs.ts';
import type { History, Signer } from '../../../core/merge/history.ts';
import type { Json } from '../../../core/merge/leaves.ts';
import { sealed } from '../../../core/merge/seal.ts';
import type { Part } from '../../../core/model/part.ts';
import type { JobRow, VumbleDatabase } from '../db.ts';
import { deviceId } from '../device.ts';
import { worker } from '../writing.ts';

/** A signature for what leaves this browser now, in the name of whoever works here. */
export function signer(): Signer {
  return {
    id: `rev-${crypto.randomUUID()}`,
    device: deviceId(),
    at: new Date().toISOString(),
    by: worker() || undefined,
  };
}

/**
 * A job as it leaves this browser, its history up to now, kept here too. To be called in a transaction over jobs, edits and
 * histories. What is typed from now on begins an edit of its own, so that nothing that was handed on is drafted anew.
 */
export async function sealRow({ id, job }: JobRow, db: VumbleDatabase): Promise<JobCopy> {
  const key = `job ${id}` as const;
  const before = (await db.histories.get(key))?.history ?? null;
  const copy = sealedJob(job, before, signer());
  if (copy.history !== before) {
    await db.histories.put({ id: key, history: copy.history });
    const last = await db.edits.where({ jobId: id, undone: 0 }).last();
    if (last && last.mergeKey !== '') await db.edits.update(last.seq, { mergeKey: '' });
  }
  return copy;
}

/** A part of which only matters what it is: its stock is the sum of movements, wherever it lies. */
export function withoutStock(part: Part): Json {
  return { ...part, stock: 0 } as unknown as Json;
}

/** The same for a part of the shelf. */
export async function sealPart(part: Part, db: VumbleDatabase): Promise<History> {
  const key = `part ${part.id}` as const;
  const before = (await db.histories.get(key))?.history ?? null;
  const history = sealed(withoutStock(part), before, signer());
  if (history !== before) await db.histories.put({ id: key, history });
  return history;
}
