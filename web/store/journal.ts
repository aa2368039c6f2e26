import type { Patch } from 'immer';
import type { Evidence } from '../../core/model/evidence.ts';
import type { Job } from '../../core/model/job.ts';
import { upgradeLog } from '../../core/model/upgradeLog.ts';
import { db as appDatabase, type JournalRow, upgradePatch, type VumbleDatabase } from './db.ts';
import { type Act, JobGoneError, storeActs } from './edits.ts';
import { jobCheck } from './jobCheck.ts';
import { ofLog, withNoted } from './patches.ts';
import { setAside } from './setAside.ts';
import { writeAtOnce } from './writeAtOnce.ts';

/**
 * A job takes some time to be checked and written, and a page that is closed, or a browser that is killed, within it takes
 * the act along. So each act is first noted: a small row that is on its way to the disk before the tap is answered. The
 * transaction that stores the act strikes its note out, so that it is stored once, whoever does it; what is still noted
 * at the next start is stored then, in the order it was made.
 *
 * @returns whether the note is in the store
 */
export async function noteAct(
  note: Omit<JournalRow, 'seq'>,
  db: VumbleDatabase = appDatabase,
): Promise<boolean> {
  try {
    await writeAtOnce(db, 'journal', note);
    return true;
  } catch {
    // The disk is full: the act itself is still on its way.
    return false;
  }
}

/** Strikes a note out: its act was refused, and whoever made it was told so. */
export async function strikeNote(id: string, db: VumbleDatabase = appDatabase): Promise<void> {
  await db.journal.where('id').equals(id).delete();
}

/** An act so young may be on its way in another tab, which stores it itself, ms. */
const ON_ITS_WAY = 10_000;

/**
 * Stores what earlier pages noted and did not come to store. What cannot be stored (its job is gone, somebody has changed
 * the same since, it is no note at all) is set aside, and the rest goes on.
 *
 * @param mine ids of the acts this page is storing itself
 * @returns how many acts were stored, and how many are left for the tab that seems to be at them
 */
export async function finishNoted(
  db: VumbleDatabase = appDatabase,
  mine: ReadonlySet<string> = new Set(),
): Promise<{ stored: number; left: number }> {
  const notes = (await db.journal.toArray()).filter(({ id }) => !mine.has(id));
  if (notes.length === 0) return { stored: 0, left: 0 };
  const checked = await jobCheck();
  let stored = 0;
  let left = 0;
  for (const note of notes) {
    try {
      await storeActs(db, note.jobId, [notedAct(note)], checked);
      stored += 1;
    } catch (error) {
      if (Math.abs(Date.now() - note.at) < ON_ITS_WAY) left += 1;
      else await setAside(db, 'journal', note.seq, problemOf(error as Error));
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

/** What a note of an earlier build put to the end of the log. */
function recordsOf(forward: readonly Patch[], { vehicle }: Job): Evidence[] {
  const added = forward.filter((each) => ofLog(each) && each.op === 'add' && each.path.length === 2);
  return upgradeLog(
    added.map(({ value }) => value),
    vehicle.id,
  ) as Evidence[];
}

function notedAct({ id, label, mergeKey, at, forward, backward, told }: JournalRow): Act {
  // A note of an earlier build is in the words of then.
  const today = (patches: Patch[]) => patches.map((patch) => upgradePatch(patch));
  return {
    label,
    mergeKey,
    at,
    noteId: id,
    change: (job) => {
      // One of before a log was only added to: what it did to it is told now.
      const old = told ? [] : recordsOf(forward, job);
      const apart = (patches: Patch[]) => today(patches.filter((each) => !ofLog(each)));
      const patches = { forward: apart(forward), backward: apart(backward), told: told ?? old };
      return [withNoted(job, patches), patches];
    },
  };
}
