import Dexie, { type EntityTable } from 'dexie';
import { enablePatches, type Patch } from 'immer';
import type { Job } from '../../core/model/job.ts';
import type { Part } from '../../core/model/part.ts';
import type { ShelfMovement } from '../../core/model/pieces.ts';
import { upgradeJob, upgradeObservation } from '../../core/model/upgradeJob.ts';
import { withAppendedLog } from './appendedLog.ts';
import { AtOnceDatabase } from './atOnce.ts';
import { heldBy } from './held.ts';
import { moveOver } from './moveOver.ts';
import { STORE_NAME } from './name.ts';
import { withOneEvidence } from './oneEvidence.ts';
import type {
  AsideRow,
  EditRow,
  HistoryRow,
  JobRow,
  NoteRow,
  PhotoRow,
  SettingRow,
  StoredActRow,
} from './tableRows.ts';

// Edits are stored as patches; every part of the store comes through here first.
enablePatches();

export type * from './tableRows.ts';

/**
 * Everything Vumble keeps, in this browser and nowhere else. One schema version a migration. Beside it is `atOnce`, opened
 * and closed with it.
 */
export class VumbleDatabase extends Dexie {
  jobs!: EntityTable<JobRow, 'id'>;
  edits!: EntityTable<EditRow, 'seq'>;
  parts!: EntityTable<Part, 'id'>;
  settings!: EntityTable<SettingRow, 'key'>;
  photos!: EntityTable<PhotoRow, 'id'>;
  /** notes of before they had a database of their own */
  journal!: EntityTable<NoteRow, 'seq'>;
  storedActs!: EntityTable<StoredActRow, 'id'>;
  aside!: EntityTable<AsideRow, 'seq'>;
  movements!: EntityTable<ShelfMovement, 'id'>;
  histories!: EntityTable<HistoryRow, 'id'>;
  readonly atOnce: AtOnceDatabase;

  constructor(name = STORE_NAME) {
    super(name);
    this.atOnce = new AtOnceDatabase(`${name}-at-once`);
    this.version(1).stores({
      jobs: 'id, deleted, updatedAt',
      edits: '++seq, [jobId+undone]',
      parts: 'id, kind',
      settings: 'key',
    });
    // Vehicles grew from their turn circuits to every lamp; undo steps of the old shape no longer apply.
    this.version(2).upgrade(async (transaction) => {
      await transaction
        .table<JobRow>('jobs')
        .toCollection()
        .modify((row) => {
          row.job = upgradeJob(row.job, 1, 7) as Job;
        });
      await transaction.table<EditRow>('edits').clear();
      await transaction.table<SettingRow>('settings').put({ key: 'demo', value: 'missing' });
    });
    this.version(3).stores({ photos: 'id, jobId' });
    // What an observation called its stage is the vehicle's configuration; the stages are those of a job.
    this.version(4).upgrade(async (transaction) => {
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
    this.version(5).upgrade(async (transaction) => {
      await transaction
        .table<JobRow>('jobs')
        .toCollection()
        .modify((row) => {
          row.job = upgradeJob(row.job, 5, 7) as Job;
        });
    });
    // A job says which lamps it converts, an observation whether the lights were on.
    this.version(6).upgrade(async (transaction) => {
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
    this.version(7).upgrade(async (transaction) => {
      const edits = await transaction.table<EditRow>('edits').toArray();
      const rows = await transaction.table<JobRow>('jobs').toArray();
      for (const row of rows) {
        const mine = edits.filter(({ jobId }) => jobId === row.id);
        await transaction.table<EditRow>('edits').bulkPut(withOneEvidence(row.job, mine));
        await transaction.table<JobRow>('jobs').put({ ...row, job: upgradeJob(row.job, 7, 10) as Job });
      }
    });
    // Acts are noted in the store itself; rows that cannot be read are set aside.
    this.version(8).stores({ journal: '++seq, &id', aside: '++seq' });
    // Nothing is taken out of a log any more: its records are signed, and what was done to them by patches is undone by
    // taking them back.
    this.version(9)
      .stores({ jobs: 'id, deleted, updatedAt, job.vehicle.id' })
      .upgrade(async (transaction) => {
        const edits = await transaction.table<EditRow>('edits').toArray();
        for (const row of await transaction.table<JobRow>('jobs').toArray()) {
          const mine = edits.filter(({ jobId }) => jobId === row.id);
          const appended = withAppendedLog(row.job, mine);
          await transaction.table<EditRow>('edits').bulkPut(appended.edits);
          await transaction
            .table<JobRow>('jobs')
            .put({ ...row, job: upgradeJob(appended.job, 10, 11) as Job });
        }
      });
    // Which turn lamps hang on one output nobody had looked at.
    this.version(10).upgrade((transaction) =>
      transaction
        .table<JobRow>('jobs')
        .toCollection()
        .modify((row) => {
          row.job = upgradeJob(row.job, 11) as Job;
        }),
    );
    // Stock was a figure; now it is the sum of movements, and the figure of then is the first of them.
    this.version(11)
      .stores({ jobs: 'id, deleted, updatedAt, job.vehicle.id, *held', movements: 'id, partId' })
      .upgrade(async (transaction) => {
        const parts = await transaction.table<Part>('parts').toArray();
        await transaction
          .table<ShelfMovement>('movements')
          .bulkPut(parts.map((part) => firstCount(part, new Date().toISOString())));
      });
    // Copies that were handed on know how they came about, and are laid together by that.
    this.version(12).stores({ histories: 'id' });
    // Notes of acts, and what is kept beside jobs, wait for nothing any more.
    this.version(13)
      .stores({ storedActs: 'id, at' })
      .upgrade((transaction) =>
        transaction.table<SettingRow>('settings').put({ key: 'at-once', value: 'missing' }),
      );
    this.on('populate', (transaction) => {
      transaction.table<SettingRow>('settings').add({ key: 'demo', value: 'missing' });
    });
    // The demo data are loaded once in a browser's life: they are no part of what every visit loads.
    this.on('ready', async (opened) => {
      await Promise.all([this.atOnce.open(), putDemoIn(opened as VumbleDatabase)]);
      await moveOver(opened as VumbleDatabase, this.atOnce);
    });
  }

  override close(options?: { disableAutoOpen: boolean }): void {
    super.close(options);
    this.atOnce.close(options);
  }
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

/** Adds the demo's parts and jobs, leaving alone what is here already; every query waits until they are in. */
export async function putDemoIn(db: VumbleDatabase): Promise<void> {
  if (!(await db.settings.get('demo'))) return;
  const [{ demoJobs, FIRST_JOB_ID }, { DEMO_SHELF }] = await Promise.all([
    import('../../demo/jobs.ts'),
    import('../../demo/shelf.ts'),
  ]);
  await db.transaction('rw', db.jobs, db.parts, db.settings, db.movements, async () => {
    // Two tabs that open at once both come here; the second finds it done.
    if (!(await db.settings.get('demo'))) return;
    const known = new Set(await db.parts.toCollection().primaryKeys());
    const parts = DEMO_SHELF.filter((part) => !known.has(part.id));
    await db.parts.bulkAdd(parts);
    // Before the oldest demo job: what that fitted came off these.
    await db.movements.bulkPut(parts.map((part) => firstCount(part, FIRST_DAY)));
    const here = new Set(await db.jobs.toCollection().primaryKeys());
    await db.jobs.bulkAdd(
      demoJobs()
        .filter((job) => !here.has(job.id))
        .map((job) => rowOf(job)),
    );
    if (!(await db.settings.get('last-job')))
      await db.settings.bulkAdd([
        { key: 'last-job', value: FIRST_JOB_ID },
        { key: 'last-stage', value: 'cure' },
      ]);
    await db.settings.delete('demo');
  });
}

/** Before anything of the demo was fitted. */
const FIRST_DAY = '2026-01-01T00:00:00.000Z';

/** The pieces that were there when a part came to the shelf. */
export function firstCount({ id, stock }: Pick<Part, 'id' | 'stock'>, at: string): ShelfMovement {
  return { id: `first-${crypto.randomUUID()}`, partId: id, at, kind: 'counted', pieces: stock };
}

export function rowOf(job: Job, updatedAt: string = job.createdAt): JobRow {
  return withJob({ id: job.id, job, updatedAt, deleted: 0 }, job);
}

/** A row with its job as it is now, and what that holds of the shelf. */
export function withJob<R extends Pick<JobRow, 'id'>>(row: R, job: Job): R & Pick<JobRow, 'job' | 'held'> {
  return { ...row, job, held: heldBy(row.id, job) };
}

export const db = new VumbleDatabase();
