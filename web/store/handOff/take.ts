import equal from 'fast-deep-equal';
import type { Patch } from 'immer';
import type { Pack } from '../../../core/formats/pack.ts';
import type { Job } from '../../../core/model/job.ts';
import { firstCount, rowOf, type VumbleDatabase } from '../db.ts';
import { type Act, storeActs, undoJob } from '../edits.ts';
import { jobCheck } from '../jobCheck.ts';
import { keptValues } from '../kept.ts';
import { joinShelves } from '../shelfId.ts';
import { isUntouched, takeWhole } from './restore.ts';
import { type Taken, tables, takeKept, takePhotos, type Undo } from './rows.ts';
import {
  type AllAnswers,
  type JobTogether,
  jobsTogether,
  type PartTogether,
  partsTogether,
} from './together.ts';

/** Somebody must choose first: what is asked may be new, where a job here was changed since it was looked at. */
export class OpenQuestionsError extends Error {
  constructor() {
    super('A job here was changed meanwhile, and there is more to choose now. Look at it again.');
    this.name = 'OpenQuestionsError';
  }
}

/**
 * Takes a pack in: what is new is added, what is here too is laid together by the answers. All or nothing, and one undo
 * takes all of it back.
 *
 * @throws OpenQuestionsError where something is still asked; the store's own error where it is full
 */
export async function takePack(pack: Pack, answers: AllAnswers, db: VumbleDatabase): Promise<Taken> {
  const checked = await jobCheck();
  await keptValues.loaded();
  if (pack.content === 'everything' && (await isUntouched(db))) return takeWhole(pack, db);
  const undo: Undo[] = [];
  const jobIds: string[] = [];
  await db.transaction('rw', tables(db), async () => {
    const parts = await partsTogether(pack, answers, db);
    const { jobs, beside } = await jobsTogether(pack, parts, answers, db);
    const open = [...parts, ...jobs.map(({ merge }) => merge ?? { questions: [] })];
    if (open.some(({ questions }) => questions.length > 0)) throw new OpenQuestionsError();
    for (const part of parts) undo.push(...(await takePart(part, pack, db)));
    await db.parts.bulkPut(beside);
    await db.movements.bulkAdd(
      beside.map(({ id }) => firstCount({ id, stock: 0 }, new Date().toISOString())),
    );
    if (beside.length > 0) undo.push(() => db.parts.bulkDelete(beside.map(({ id }) => id)));
    for (const each of jobs) {
      const taken = await takeJob(each, checked, db);
      if (!taken) continue;
      jobIds.push(each.id);
      undo.push(taken);
    }
    undo.push(...(await takeMovements(pack, db)), ...(await takePhotos(pack.photos, db)));
  });
  // Values beside the jobs are kept for themselves: what is here stays.
  undo.push(takeKept(Object.entries(pack.kept).filter(([key]) => keptValues.text(key) === undefined)));
  return {
    jobIds,
    undo: () =>
      db.transaction('rw', tables(db), async () => {
        for (const each of undo.toReversed()) await each();
      }),
  };
}

async function takePart(part: PartTogether, pack: Pack, db: VumbleDatabase): Promise<Undo[]> {
  const { id, what, history } = part;
  if (what === 'beside') return [];
  const key = `part ${id}` as const;
  const [before, known] = [await db.parts.get(id), await db.histories.get(key)];
  if (history) await db.histories.put({ id: key, history });
  if (what !== 'same') await db.parts.put(part.part);
  // Pieces on somebody else's shelf are not on this one; those of this one come with their movements.
  if (what === 'added' && pack.content === 'jobs')
    await db.movements.add(firstCount({ id, stock: 0 }, new Date().toISOString()));
  return [
    async () => {
      if (before) await db.parts.put(before);
      else await db.parts.delete(id);
      if (known) await db.histories.put(known);
      else await db.histories.delete(key);
    },
  ];
}

/** @returns what takes it back; null where nothing was to be done */
async function takeJob(
  { id, theirs, packed, row, merge }: JobTogether,
  checked: (job: unknown) => Job,
  db: VumbleDatabase,
): Promise<Undo | null> {
  const key = `job ${id}` as const;
  if (!row || !merge) {
    checked(theirs.job);
    await db.jobs.add({ ...rowOf(theirs.job, packed.updatedAt), deleted: packed.binned ? 1 : 0 });
    await db.histories.put({ id: key, history: theirs.history });
    return async () => {
      // What was done to it since goes to the bin with it, not away.
      if ((await db.jobs.get(id))?.rev) await db.jobs.update(id, { deleted: 1 });
      else await db.jobs.delete(id);
      await db.histories.delete(key);
    };
  }
  const { forward, backward } = fieldPatches(row.job, merge.job);
  const before = (await db.histories.get(key))?.history ?? null;
  if (forward.length === 0 && merge.job.evidence.length === row.job.evidence.length) {
    await db.histories.put({ id: key, history: merge.history });
    return null;
  }
  const here = new Set(row.job.evidence.map((each) => each.id));
  const act: Act = {
    label: 'Take over from another device',
    mergeKey: '',
    at: Date.now(),
    change: () => [merge.job, { forward, backward, told: [] }],
    merge: {
      before,
      after: merge.history,
      log: merge.job.evidence,
      arrived: merge.job.evidence.flatMap((each) => (here.has(each.id) ? [] : [each.id])),
    },
  };
  await storeActs(db, id, [act], checked);
  await db.histories.put({ id: key, history: merge.history });
  const wasBinned = row.deleted === 1;
  if (wasBinned) await db.jobs.update(id, { deleted: 0 });
  return async () => {
    // What was done since stands on it: then it is taken back there, one by one.
    const last = await db.edits.where({ jobId: id, undone: 0 }).last();
    if (last?.merge?.after.head === merge.history.head) await undoJob(id, db);
    if (wasBinned) await db.jobs.update(id, { deleted: 1 });
  };
}

/** Whole fields of a job as patches, its log apart. */
function fieldPatches(before: Job, after: Job): { forward: Patch[]; backward: Patch[] } {
  const [a, b] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])].filter(
    (key) => key !== 'evidence' && !equal(a[key], b[key]),
  );
  const patch = (from: Record<string, unknown>, to: Record<string, unknown>, key: string): Patch => {
    if (to[key] === undefined) return { op: 'remove', path: [key] };
    return { op: from[key] === undefined ? 'add' : 'replace', path: [key], value: to[key] };
  };
  return { forward: keys.map((key) => patch(a, b, key)), backward: keys.map((key) => patch(b, a, key)) };
}

async function takeMovements({ shelf }: Pack, db: VumbleDatabase): Promise<Undo[]> {
  if (!shelf) return [];
  const here = new Set(await db.movements.toCollection().primaryKeys());
  const fresh = shelf.movements.filter(({ id }) => !here.has(id));
  await db.movements.bulkAdd(fresh);
  const apart = joinShelves(shelf.shelves);
  return [() => db.movements.bulkDelete(fresh.map(({ id }) => id)), async () => apart()];
}
