import { applyPatches, type Draft, produceWithPatches } from 'immer';
import type { Job } from '../../core/model/job.ts';
import { db as appDatabase, type EditRow, type VumbleDatabase } from './db.ts';
import { jobCheck } from './jobCheck.ts';

/** Typing within this time of the last keystroke in the same field is one edit, ms. */
const MERGE_WITHIN = 4000;
/** Edits kept for undo, a job. */
const HISTORY_LENGTH = 500;

/** Asked once, at the first edit: the browser then does not clear the records when it wants room. */
let persistenceAsked = false;

function askToPersist(): void {
  if (persistenceAsked) return;
  persistenceAsked = true;
  // A refusal changes nothing for the installer now; the records are kept as long as the browser keeps them.
  globalThis.navigator?.storage?.persist?.().catch(() => {});
}

export type Recipe = (draft: Draft<Job>) => void;

export interface EditOptions {
  /** joins this edit to the last one if that has the same key */
  mergeKey?: string;
  /** the act's own id, by which an edit noted before it was stored is known again */
  id?: string;
}

/** The job is not in this browser any more. */
export class JobGoneError extends Error {
  constructor() {
    super('This job is no longer in this browser. It may have been deleted in another tab.');
    this.name = 'JobGoneError';
  }
}

/**
 * Changes a job and remembers how to change it back, in one transaction. Whatever was undone before can
 * then no longer be redone.
 *
 * @throws JobGoneError, or the validation error of a change that would leave the job invalid; nothing is
 *   written then
 */
export async function editJob(
  jobId: string,
  label: string,
  recipe: Recipe,
  options: EditOptions = {},
  db: VumbleDatabase = appDatabase,
): Promise<void> {
  askToPersist();
  const checked = await jobCheck();
  await db.transaction('rw', db.jobs, db.edits, async () => {
    const row = await db.jobs.get(jobId);
    if (!row) throw new JobGoneError();
    const [job, forward, backward] = produceWithPatches(row.job, recipe);
    if (forward.length === 0) return;
    checked(job);
    await db.edits.where({ jobId, undone: 1 }).delete();
    const last = await lastEdit(db, jobId);
    const mergeKey = options.mergeKey ?? '';
    const now = Date.now();
    if (last && mergeKey !== '' && last.mergeKey === mergeKey && now - last.at < MERGE_WITHIN) {
      await db.edits.update(last.seq, {
        at: now,
        ids: options.id ? [...last.ids, options.id] : last.ids,
        forward: [...last.forward, ...forward],
        backward: [...backward, ...last.backward],
      });
    } else {
      await db.edits.add({
        jobId,
        label,
        ids: options.id ? [options.id] : [],
        mergeKey,
        at: now,
        undone: 0,
        forward,
        backward,
      });
      await trim(db, jobId);
    }
    await db.jobs.put({ ...row, job, updatedAt: new Date(now).toISOString() });
  });
}

/** Takes back the newest edit that stands. Returns its label, or null when there is none. */
export async function undoJob(jobId: string, db: VumbleDatabase = appDatabase): Promise<string | null> {
  return db.transaction('rw', db.jobs, db.edits, async () => {
    const edit = await lastEdit(db, jobId);
    return edit ? step(db, edit, edit.backward, 1) : null;
  });
}

/** Does the oldest undone edit again. Returns its label, or null when there is none. */
export async function redoJob(jobId: string, db: VumbleDatabase = appDatabase): Promise<string | null> {
  return db.transaction('rw', db.jobs, db.edits, async () => {
    const edit = await db.edits.where({ jobId, undone: 1 }).first();
    return edit ? step(db, edit, edit.forward, 0) : null;
  });
}

export interface History {
  undo: string | null;
  redo: string | null;
}

/** What undo and redo would do now. */
export async function historyOf(jobId: string, db: VumbleDatabase = appDatabase): Promise<History> {
  const undo = await lastEdit(db, jobId);
  const redo = await db.edits.where({ jobId, undone: 1 }).first();
  return { undo: undo?.label ?? null, redo: redo?.label ?? null };
}

function lastEdit(db: VumbleDatabase, jobId: string): Promise<EditRow | undefined> {
  return db.edits.where({ jobId, undone: 0 }).last();
}

async function step(
  db: VumbleDatabase,
  edit: EditRow,
  patches: EditRow['forward'],
  undone: 0 | 1,
): Promise<string> {
  const row = await db.jobs.get(edit.jobId);
  if (!row) throw new JobGoneError();
  const job = applyPatches(row.job, patches);
  await db.jobs.put({ ...row, job, updatedAt: new Date().toISOString() });
  await db.edits.update(edit.seq, { undone, mergeKey: '' });
  return edit.label;
}

async function trim(db: VumbleDatabase, jobId: string): Promise<void> {
  const keys = await db.edits.where({ jobId, undone: 0 }).primaryKeys();
  if (keys.length > HISTORY_LENGTH) await db.edits.bulkDelete(keys.slice(0, keys.length - HISTORY_LENGTH));
}
