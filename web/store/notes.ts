import { db as appDatabase, type NoteRow, type VumbleDatabase } from './db.ts';
import { JobGoneError, storeActs } from './edits.ts';
import { jobCheck } from './jobCheck.ts';
import { setNoteAside } from './setAside.ts';

/**
 * A job takes some time to be checked and written, and a page that is closed, or a browser that is killed, within it takes
 * the act along. So each act is first noted: a small row that is on its way to the disk before the tap is answered. The
 * transaction that stores the act says so of its id, so that it is stored once, whoever does it; then the note is struck
 * out. What is still noted at the next start is stored then, in the order it was made.
 *
 * @returns whether the note is in the store
 */
export async function noteAct(
  note: Omit<NoteRow, 'seq'>,
  db: VumbleDatabase = appDatabase,
): Promise<boolean> {
  try {
    await db.atOnce.putAtOnce('notes', note);
    return true;
  } catch {
    // The disk is full: the act itself is still on its way.
    return false;
  }
}

/** Strikes notes out: their acts are stored, or were refused and whoever made them was told so. */
export async function strikeNotes(ids: readonly string[], db: VumbleDatabase = appDatabase): Promise<void> {
  await db.atOnce.notes.where('id').anyOf(ids).delete();
}

/** An act so young may be on its way in another tab, which stores it itself, ms. */
const ON_ITS_WAY = 10_000;

/**
 * Stores what earlier pages noted and did not come to store. What cannot be stored (its job is gone, somebody has changed
 * the same since, it is no note at all) is set aside, and the rest goes on.
 *
 * @param isMine whether an act is one this page will store itself
 * @returns how many acts were stored, and how many are left for the tab that seems to be at them
 */
export async function finishNoted(
  db: VumbleDatabase = appDatabase,
  isMine: (id: string) => boolean = () => false,
): Promise<{ stored: number; left: number }> {
  await db.open();
  const notes = (await db.atOnce.notes.toArray()).filter(({ id }) => !isMine(id));
  if (notes.length === 0) return { stored: 0, left: 0 };
  // Hardly a visit finds one.
  const [checked, { notedAct }] = await Promise.all([jobCheck(), import('./notedAct.ts')]);
  let stored = 0;
  let left = 0;
  for (const note of notes) {
    try {
      await storeActs(db, note.jobId, [notedAct(note)], checked);
      await strikeNotes([note.id], db);
      stored += 1;
    } catch (error) {
      if (Math.abs(Date.now() - note.at) < ON_ITS_WAY) left += 1;
      else await setNoteAside(db, note, problemOf(error as Error));
    }
  }
  return { stored, left };
}

function problemOf(error: Error): string {
  if (error instanceof JobGoneError) return error.message;
  return error.name === 'ChangedSinceError'
    ? error.message
    : `It cannot be done to this job: ${error.message}`;
}
