import { applyPatches, type Patch, produceWithPatches } from 'immer';
import type { Job } from '../../core/model/job.ts';
import { db as appDatabase, upgradePatch, type VumbleDatabase } from './db.ts';
import type { Recipe } from './edits.ts';
import { jobCheck } from './jobCheck.ts';

/**
 * An edit takes a few milliseconds to reach the database, and a page that is closed or reloaded within them
 * takes the edit along. So each edit is first noted here, at once, and struck out when it is stored; what is
 * still noted at the next start is done then.
 */
interface PendingEdit {
  id: string;
  jobId: string;
  label: string;
  forward: Patch[];
  backward: Patch[];
}

const PREFIX = 'vumble-pending-';

/** Browsers without it, or with it full, only lose this safety net. */
function notes(): Storage | null {
  try {
    return globalThis.localStorage ?? null;
  } catch {
    return null;
  }
}

/** Notes an edit of the job as it is on screen, before it is stored. */
export function notePending(id: string, job: Job, label: string, recipe: Recipe): void {
  const [, forward, backward] = produceWithPatches(job, recipe);
  const pending: PendingEdit = { id, jobId: job.id, label, forward, backward };
  try {
    notes()?.setItem(PREFIX + id, JSON.stringify(pending));
  } catch {
    // The store is full: the edit itself is still on its way to the database.
  }
}

/** Strikes an edit out: it is stored, or it was refused. */
export function strikePending(id: string): void {
  notes()?.removeItem(PREFIX + id);
}

/**
 * Does what an earlier page did not come to store. An edit that was stored after all (its id is in the
 * history), whose job is gone, or that no longer fits the job is dropped.
 */
export async function finishPending(db: VumbleDatabase = appDatabase): Promise<number> {
  const store = notes();
  if (!store) return 0;
  const keys = Array.from({ length: store.length }, (_, index) => store.key(index)).filter((key) =>
    key?.startsWith(PREFIX),
  );
  let finished = 0;
  for (const key of keys) {
    const pending = read(store.getItem(key ?? ''));
    if (pending && (await finish(db, pending))) finished += 1;
    store.removeItem(key ?? '');
  }
  return finished;
}

function read(text: string | null): PendingEdit | null {
  try {
    return JSON.parse(text ?? '') as PendingEdit;
  } catch {
    return null;
  }
}

async function finish(
  db: VumbleDatabase,
  { id, jobId, label, forward, backward }: PendingEdit,
): Promise<boolean> {
  const checked = await jobCheck();
  return db.transaction('rw', db.jobs, db.edits, async () => {
    const row = await db.jobs.get(jobId);
    const known = await db.edits.filter((edit) => edit.jobId === jobId && edit.ids.includes(id)).count();
    if (!row || known > 0) return false;
    const job = patched(row.job, forward, checked);
    if (!job) return false;
    await db.edits.where({ jobId, undone: 1 }).delete();
    await db.edits.add({
      jobId,
      label,
      ids: [id],
      mergeKey: '',
      at: Date.now(),
      undone: 0,
      forward,
      backward,
    });
    await db.jobs.put({ ...row, job, updatedAt: new Date().toISOString() });
    return true;
  });
}

/** An edit noted before an update of Vumble is in the words of then. */
function patched(job: Job, forward: Patch[], checked: (job: unknown) => Job): Job | null {
  try {
    return checked(applyPatches(job, forward.map(upgradePatch)));
  } catch {
    return null;
  }
}
