import { type Draft, type Patch, produceWithPatches } from 'immer';
import type { Evidence } from '../../core/model/evidence.ts';
import type { Job } from '../../core/model/job.ts';
import { furtherRecords, mark, withoutDrafts } from '../../core/record/tell.ts';
import { db as appDatabase, type EditRow, type MergedHistory, type VumbleDatabase, withJob } from './db.ts';
import { deviceId, teller } from './device.ts';
import { jobCheck } from './jobCheck.ts';
import { joined, ofLog, type Patches, patched } from './patches.ts';

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
}

/** One change of a job, by whoever made it. */
export interface Act {
  label: string;
  mergeKey: string;
  /** when it was made, ms since 1970 */
  at: number;
  /** the job with the change, and what takes it back; throws where it cannot be made */
  change(job: Job): [job: Job, patches: Patches];
  /** the note of it, where there is one */
  noteId?: string;
  /** lays another copy together with this one: what becomes of log and history */
  merge?: MergedHistory;
}

/** An act out of a recipe. */
export function actOf(label: string, recipe: Recipe, { mergeKey = '' }: EditOptions = {}): Act {
  const own = crypto.randomUUID();
  const at = Date.now();
  return {
    label,
    mergeKey,
    at,
    change: (job) => {
      const [changed, forward, backward] = produceWithPatches(job, recipe);
      const further = furtherRecords(
        job,
        changed.evidence,
        (nth) => `seen-${own}-${nth}`,
        new Date(at).toISOString(),
        deviceId(),
      );
      const patches = {
        forward: forward.filter((each) => !ofLog(each)),
        backward: backward.filter((each) => !ofLog(each)),
        told: further,
      };
      const evidence = further.length === 0 ? job.evidence : [...job.evidence, ...further];
      return [changed.evidence === evidence ? changed : { ...changed, evidence }, patches];
    },
  };
}

/** The job is not in this browser any more. */
export class JobGoneError extends Error {
  constructor() {
    super('This job is no longer in this browser. It may have been deleted in another tab.');
    this.name = 'JobGoneError';
  }
}

/** A job as it was written, and how often it has been. */
export interface Written {
  job: Job;
  rev: number;
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
  await storeActs(db, jobId, [actOf(label, recipe, options)], await jobCheck());
}

/**
 * Stores acts on a job in the order they were made, all or none. That those with a note are stored is written down in the
 * same transaction, and whoever finds it written leaves them out: each act is stored once. Their notes are then to be
 * struck out.
 *
 * @param checked refuses a job that is not one; asked for beforehand, since a transaction waits for nothing else
 * @throws JobGoneError, the error of an act that cannot be made, or the validation error of what they come to
 */
export async function storeActs(
  db: VumbleDatabase,
  jobId: string,
  acts: readonly Act[],
  checked: (job: unknown) => Job,
): Promise<Written> {
  askToPersist();
  return db.transaction('rw', db.jobs, db.edits, db.storedActs, async () => {
    const row = await db.jobs.get(jobId);
    if (!row) throw new JobGoneError();
    const open = await notStored(db, acts);
    let { job } = row;
    let last: Step | undefined = await lastEdit(db, jobId);
    const steps: Step[] = [];
    for (const act of open) {
      const [changed, patches] = act.change(job);
      job = changed;
      if (patches.forward.length + patches.told.length === 0 && !act.merge) continue;
      const step = stepOf(jobId, act, patches);
      if (last && joins(last, step)) {
        const { evidence, told } = withoutDrafts(job.evidence, last.told ?? [], patches.told);
        job = { ...job, evidence };
        last = { ...last, at: act.at, ...joined(last, step), told };
        steps.splice(Math.max(0, steps.length - 1), 1, last);
      } else {
        last = step;
        steps.push(step);
      }
    }
    const before = row.rev ?? 0;
    if (steps.length === 0) return { job: row.job, rev: before };
    checked(job);
    await remember(db, jobId, steps);
    const rev = before + 1;
    await db.jobs.put({ ...withJob(row, job), rev, updatedAt: new Date().toISOString() });
    return { job, rev };
  });
}

/** The acts that were not stored yet; those with a note are written down as stored. */
async function notStored(db: VumbleDatabase, acts: readonly Act[]): Promise<Act[]> {
  const ids = acts.flatMap(({ noteId }) => noteId ?? []);
  if (ids.length === 0) return [...acts];
  const stored = new Set((await db.storedActs.bulkGet(ids)).map((row) => row?.id));
  const at = Date.now();
  await db.storedActs.bulkPut(ids.map((id) => ({ id, at })));
  return acts.filter(({ noteId }) => noteId === undefined || !stored.has(noteId));
}

/** A step of the history that may not be written yet. */
type Step = Omit<EditRow, 'seq'> & { seq?: number };

function stepOf(jobId: string, act: Act, { forward, backward, told }: Patches): Step {
  const { label, mergeKey, at, merge } = act;
  const ids = told.map(({ id }) => id);
  return { jobId, label, mergeKey, at, undone: 0, forward, backward, told: ids, ...(merge ? { merge } : {}) };
}

/** Whether a step goes on with what the last one began: typing in one field is one edit. */
function joins(last: Step, { mergeKey, at }: Step): boolean {
  return mergeKey !== '' && last.mergeKey === mergeKey && Math.abs(at - last.at) < MERGE_WITHIN;
}

/** Puts steps on the history; the first may be the last there is, gone on with. */
async function remember(db: VumbleDatabase, jobId: string, steps: readonly Step[]): Promise<void> {
  await db.edits.where({ jobId, undone: 1 }).delete();
  for (const step of steps) await db.edits.put(step as EditRow);
  await trim(db, jobId);
}

/** Takes back the newest edit that stands. Returns its label, or null when there is none. */
export async function undoJob(jobId: string, db: VumbleDatabase = appDatabase): Promise<string | null> {
  return db.transaction('rw', db.jobs, db.edits, db.histories, async () => {
    const edit = await lastEdit(db, jobId);
    return edit ? step(db, edit, edit.backward, 1) : null;
  });
}

/** Does the oldest undone edit again. Returns its label, or null when there is none. */
export async function redoJob(jobId: string, db: VumbleDatabase = appDatabase): Promise<string | null> {
  return db.transaction('rw', db.jobs, db.edits, db.histories, async () => {
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
  patches: readonly Patch[],
  undone: 0 | 1,
): Promise<string> {
  const row = await db.jobs.get(edit.jobId);
  if (!row) throw new JobGoneError();
  // What was told stays in the log: that it stands no longer, or again, is told too.
  const log = { vehicle: row.job.vehicle, evidence: [...row.job.evidence] };
  const say = (ids: readonly string[], stands: boolean) => {
    for (const id of ids) log.evidence.push(mark(log, id, stands, teller()));
  };
  say(edit.told ?? [], undone === 0);
  say(edit.ended ?? [], undone === 1);
  let job = patched(row.job, patches, log.evidence.slice(row.job.evidence.length));
  if (edit.merge) job = { ...job, evidence: await mergedStep(db, edit, edit.merge, job, undone) };
  await db.jobs.put({
    ...withJob(row, job),
    rev: (row.rev ?? 0) + 1,
    updatedAt: new Date().toISOString(),
  });
  await db.edits.update(edit.seq, { undone, mergeKey: '' });
  return edit.label;
}

/**
 * The log and the history of a job whose merge is taken back, or done again: as if the other copy had not come. Where this
 * one was handed on since, others have heard of it: what came is then withdrawn as anything else is.
 */
async function mergedStep(
  db: VumbleDatabase,
  { jobId }: EditRow,
  { before, after, log, arrived }: MergedHistory,
  { vehicle, evidence }: Job,
  undone: 0 | 1,
): Promise<Evidence[]> {
  const id = `job ${jobId}` as const;
  const now = (await db.histories.get(id))?.history;
  const [from, to] = undone === 1 ? [after, before] : [before, after];
  if (now?.head === from?.head) {
    if (to) await db.histories.put({ id, history: to });
    else await db.histories.delete(id);
    const gone = new Set(arrived);
    return undone === 0 ? log : evidence.filter((each) => !gone.has(each.id));
  }
  const told = [...evidence];
  for (const each of arrived) told.push(mark({ vehicle, evidence: told }, each, undone === 0, teller()));
  return told;
}

async function trim(db: VumbleDatabase, jobId: string): Promise<void> {
  const keys = await db.edits.where({ jobId, undone: 0 }).primaryKeys();
  if (keys.length > HISTORY_LENGTH) await db.edits.bulkDelete(keys.slice(0, keys.length - HISTORY_LENGTH));
}
