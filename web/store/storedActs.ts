import { db as appDatabase, type VumbleDatabase } from './db.ts';

/** Of acts stored so long ago nobody has the note in hand any more, ms. */
const LONG_STORED = 24 * 3_600_000;

/** That an act is stored need not be known for ever: not once its note is gone, and nobody can have read it before. */
export async function forgetStored(db: VumbleDatabase = appDatabase): Promise<void> {
  const old = await db.storedActs
    .where('at')
    .below(Date.now() - LONG_STORED)
    .primaryKeys();
  if (old.length === 0) return;
  const noted = new Set((await db.atOnce.notes.toArray()).map(({ id }) => id));
  await db.storedActs.bulkDelete(old.filter((id) => !noted.has(id)));
}
