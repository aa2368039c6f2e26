import Dexie from 'dexie';
import type { Patch } from 'immer';
import type { Job } from '../../core/model/job.ts';
import type { Part } from '../../core/model/part.ts';
import type { ShelfMovement } from '../../core/model/pieces.ts';
import { upgradeJob, upgradeObservation } from '../../core/model/upgradeJob.ts';
import { withAppendedLog } from './appendedLog.ts';
import { firstCount } from './makeRows.ts';
import { withOneEvidence } from './oneEvidence.ts';
import type { EditRow, JobRow, SettingRow } from './tableRows.ts';

/**
 * Brings a store of an earlier version to this one; only who still has one loads this.
 *
 * @param blocked told where a tab with the old one is still open: it waits for that
 * @throws the store's own error; nothing of it is changed then
 */
export async function migrate(name: string, blocked: (event: IDBVersionChangeEvent) => void): Promise<void> {
  // A store of its own for it: those who use the other have its tables in hand, and would find them exchanged.
  const db = new Dexie(name);
  db.on('blocked', blocked);
  withVersions(db);
  await db.open();
  db.close();
}

/** One schema version a migration. */
function withVersions(db: Dexie): void {
  db.version(1).stores({
    jobs: 'id, deleted, updatedAt',
    edits: '++seq, [jobId+undone]',
    parts: 'id, kind',
    settings: 'key',
  });
  // Vehicles grew from their turn circuits to every lamp; undo steps of the old shape no longer apply.
  db.version(2).upgrade(async (transaction) => {
    await transaction
      .table<JobRow>('jobs')
      .toCollection()
      .modify((row) => {
        row.job = upgradeJob(row.job, 1, 7) as Job;
      });
    await transaction.table<EditRow>('edits').clear();
    await transaction.table<SettingRow>('settings').put({ key: 'demo', value: 'missing' });
  });
  db.version(3).stores({ photos: 'id, jobId' });
  // What an observation called its stage is the vehicle's configuration; the stages are those of a job.
  db.version(4).upgrade(async (transaction) => {
    await transaction
      .table<JobRow>('jobs')
      .toCollection()
      .modify((row) => {
        row.job = upgradeJob(row.job, 1, 7) as Job;
      });
    await transaction
      .table<EditRow>('edits')
      .toCollection()
      .modify((row) => {
        row.forward = row.forward.map((patch) => upgradePatch(patch));
        row.backward = row.backward.map((patch) => upgradePatch(patch));
      });
  });
  // What a layout wrote down and nobody had looked at is unknown again.
  db.version(5).upgrade(async (transaction) => {
    await transaction
      .table<JobRow>('jobs')
      .toCollection()
      .modify((row) => {
        row.job = upgradeJob(row.job, 5, 7) as Job;
      });
  });
  // A job says which lamps it converts, an observation whether the lights were on.
  db.version(6).upgrade(async (transaction) => {
    await transaction
      .table<JobRow>('jobs')
      .toCollection()
      .modify((row) => {
        row.job = upgradeJob(row.job, 6, 7) as Job;
      });
    await transaction
      .table<EditRow>('edits')
      .toCollection()
      .modify((row) => {
        row.forward = row.forward.map((patch) => upgradePatch(patch, 6));
        row.backward = row.backward.map((patch) => upgradePatch(patch, 6));
      });
  });
  // Rates, proofs and trials are one record; steps of undo that touched them put the whole of it back.
  db.version(7).upgrade(async (transaction) => {
    const edits = await transaction.table<EditRow>('edits').toArray();
    const rows = await transaction.table<JobRow>('jobs').toArray();
    for (const row of rows) {
      const mine = edits.filter(({ jobId }) => jobId === row.id);
      await transaction.table<EditRow>('edits').bulkPut(withOneEvidence(row.job, mine));
      await transaction.table<JobRow>('jobs').put({ ...row, job: upgradeJob(row.job, 7, 10) as Job });
    }
  });
  // Acts are noted in the store itself; rows that cannot be read are set aside.
  db.version(8).stores({ journal: '++seq, &id', aside: '++seq' });
  // Nothing is taken out of a log any more: its records are signed, and what was done to them by patches is undone by
  // taking them back.
  db.version(9)
    .stores({ jobs: 'id, deleted, updatedAt, job.vehicle.id' })
    .upgrade(async (transaction) => {
      const edits = await transaction.table<EditRow>('edits').toArray();
      for (const row of await transaction.table<JobRow>('jobs').toArray()) {
        const mine = edits.filter(({ jobId }) => jobId === row.id);
        const appended = withAppendedLog(row.job, mine);
        await transaction.table<EditRow>('edits').bulkPut(appended.edits);
        await transaction.table<JobRow>('jobs').put({ ...row, job: upgradeJob(appended.job, 10, 11) as Job });
      }
    });
  // Which turn lamps hang on one output nobody had looked at.
  db.version(10).upgrade((transaction) =>
    transaction
      .table<JobRow>('jobs')
      .toCollection()
      .modify((row) => {
        row.job = upgradeJob(row.job, 11) as Job;
      }),
  );
  // Stock was a figure; now it is the sum of movements, and the figure of then is the first of them.
  db.version(11)
    .stores({ jobs: 'id, deleted, updatedAt, job.vehicle.id, *held', movements: 'id, partId' })
    .upgrade(async (transaction) => {
      const parts = await transaction.table<Part>('parts').toArray();
      await transaction
        .table<ShelfMovement>('movements')
        .bulkPut(parts.map((part) => firstCount(part, new Date().toISOString())));
    });
  // Copies that were handed on know how they came about, and are laid together by that.
  db.version(12).stores({ histories: 'id' });
  // Notes of acts, and what is kept beside jobs, wait for nothing any more.
  db.version(13)
    .stores({ storedActs: 'id, at' })
    .upgrade((transaction) =>
      transaction.table<SettingRow>('settings').put({ key: 'at-once', value: 'missing' }),
    );
}

/** Fields of an observation that have another name now. */
const RENAMED: Record<string, string> = { stage: 'configuration', condition: 'lights' };

/**
 * A stored step of undo in the words of today.
 *
 * @param version of the job files of its time
 */
export function upgradePatch(patch: Patch, version = 1): Patch {
  const [field, place, ...rest] = patch.path;
  if (field === undefined) return { ...patch, value: upgradeJob(patch.value, version, 7) };
  if (field !== 'observations') return patch;
  const value = Array.isArray(patch.value)
    ? patch.value.map(upgradeObservation)
    : upgradeObservation(patch.value);
  const path =
    place === undefined ? [field] : [field, place, ...rest.map((each) => RENAMED[String(each)] ?? each)];
  return { ...patch, path, value };
}
