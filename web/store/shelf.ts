import type { Part } from '../../core/model/part.ts';
import { partReferences } from '../../core/model/partReferences.ts';
import { db as appDatabase, type VumbleDatabase } from './db.ts';
import { move, readStock, withdraw } from './stock.ts';

/** A part a job needs cannot leave the shelf. Names the job. */
export class PartInUseError extends Error {
  constructor(code: string, jobs: readonly string[]) {
    super(
      `${code} is used by ${jobs.slice(0, 3).join(', ')}${jobs.length > 3 ? ` and ${jobs.length - 3} more` : ''}. Choose another part there first, or set its stock to 0.`,
    );
    this.name = 'PartInUseError';
  }
}

/** What a change of the shelf replaced: putting it back takes the change back. */
export interface ShelfChange {
  put: readonly string[];
  before: readonly Part[];
  /** movements of pieces that came with it */
  moved?: readonly string[];
}

/** Adds or changes parts, all or none. Where the pieces of one are other than they were thought to be, that is a count. */
export async function putParts(
  parts: readonly Part[],
  db: VumbleDatabase = appDatabase,
): Promise<ShelfChange> {
  return db.transaction('rw', db.parts, db.movements, db.jobs, async () => {
    const ids = parts.map((part) => part.id);
    const before = (await db.parts.bulkGet(ids)).filter((part) => part !== undefined);
    const { stock } = await readStock(db);
    await db.parts.bulkPut([...parts]);
    const counted = parts.filter(({ id, stock: pieces }) => pieces !== (stock.get(id)?.onShelf ?? null));
    const moved = await move(
      counted.map((part) => ({ kind: 'counted', partId: part.id, pieces: part.stock })),
      undefined,
      db,
    );
    return { put: ids, before, moved };
  });
}

/**
 * Takes parts off the shelf, all or none.
 *
 * @throws PartInUseError when a job, binned ones too, names one
 */
export async function removeParts(
  parts: readonly Part[],
  db: VumbleDatabase = appDatabase,
): Promise<ShelfChange> {
  return db.transaction('rw', db.parts, db.jobs, async () => {
    const rows = await db.jobs.toArray();
    const named = rows.map(({ job, deleted }) => ({
      title: deleted ? `${job.title} (deleted)` : job.title,
      ids: new Set(partReferences(job).map(({ partId }) => partId)),
    }));
    for (const { id, code } of parts) {
      const users = named.filter(({ ids }) => ids.has(id)).map(({ title }) => title);
      if (users.length > 0) throw new PartInUseError(code, users);
    }
    const ids = parts.map(({ id }) => id);
    // As they are stored: what they look like on the shelf has the pieces that lie there.
    const before = (await db.parts.bulkGet(ids)).filter((part) => part !== undefined);
    await db.parts.bulkDelete(ids);
    return { put: [], before };
  });
}

/** Takes a change of the shelf back. */
export async function undoShelf(
  { put, before, moved = [] }: ShelfChange,
  db: VumbleDatabase = appDatabase,
): Promise<void> {
  await db.transaction('rw', db.parts, db.movements, async () => {
    await withdraw(moved, db);
    const kept = new Set(before.map((part) => part.id));
    await db.parts.bulkDelete(put.filter((id) => !kept.has(id)));
    await db.parts.bulkPut([...before]);
  });
}
