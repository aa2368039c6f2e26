import Dexie, { type EntityTable, type PromiseExtended } from 'dexie';
import { enablePatches } from 'immer';
import type { Part } from '../../core/model/part.ts';
import type { ShelfMovement } from '../../core/model/pieces.ts';
import { AtOnceDatabase } from './atOnce.ts';
import { firstCount, rowOf } from './makeRows.ts';
import { STORE_NAME } from './name.ts';
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

export { firstCount, rowOf, withJob } from './makeRows.ts';
export type * from './tableRows.ts';

/** The store as it is now; how one of an earlier version comes to it is in `migrations.ts`. */
const VERSION = 13;
const TABLES = {
  jobs: 'id, deleted, updatedAt, job.vehicle.id, *held',
  edits: '++seq, [jobId+undone]',
  parts: 'id, kind',
  settings: 'key',
  photos: 'id, jobId',
  journal: '++seq, &id',
  storedActs: 'id, at',
  aside: '++seq',
  movements: 'id, partId',
  histories: 'id',
};

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
  private ready: Promise<void> | null = null;

  constructor(name = STORE_NAME) {
    super(name);
    this.atOnce = new AtOnceDatabase(`${name}-at-once`);
    this.version(VERSION).stores(TABLES);
    this.on('populate', (transaction) => {
      transaction.table<SettingRow>('settings').add({ key: 'demo', value: 'missing' });
    });
    // The demo data are loaded once in a browser's life: they are no part of what every visit loads.
    this.on('ready', async (opened) => {
      const mine = opened as VumbleDatabase;
      const [, wanted] = await Promise.all([
        this.atOnce.open(),
        mine.settings.where('key').anyOf('demo', 'at-once').primaryKeys(),
      ]);
      if (wanted.includes('demo')) await putDemoIn(mine);
      if (wanted.includes('at-once')) await (await import('./moveOver.ts')).moveOver(mine, this.atOnce);
    });
  }

  override open(): PromiseExtended<Dexie> {
    this.ready ??= this.readyFor(this.name);
    return Dexie.Promise.resolve(this.ready.then(() => super.open()));
  }

  /** Migrations are many, and hardly a visit has a use for them. */
  private async readyFor(name: string): Promise<void> {
    if (!(await mayBeOlder(name))) return;
    const { migrate } = await import('./migrations.ts');
    await migrate(name, (event) => this.on.blocked.fire(event));
  }

  override close(options?: { disableAutoOpen: boolean }): void {
    super.close(options);
    this.atOnce.close(options);
  }
}

/** Whether the browser holds a store of an earlier version; one that does not say may. */
async function mayBeOlder(name: string): Promise<boolean> {
  try {
    const found = (await indexedDB.databases()).find((each) => each.name === name);
    // Dexie counts in tens.
    return (found?.version ?? Number.POSITIVE_INFINITY) < 10 * VERSION;
  } catch {
    return true;
  }
}

/** Adds the demo's parts and jobs, leaving alone what is here already; every query waits until they are in. */
export async function putDemoIn(db: VumbleDatabase): Promise<void> {
  // The thread that makes the store at a first visit is at it: whoever waits for it finds it done.
  if (globalThis.navigator?.locks) await navigator.locks.request(`${db.name}-demo`, () => putDemo(db));
  else await putDemo(db);
}

async function putDemo(db: VumbleDatabase): Promise<void> {
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

export const db = new VumbleDatabase();
