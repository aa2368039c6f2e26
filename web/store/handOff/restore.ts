import type { Pack } from '../../../core/formats/pack.ts';
import { rowOf, type VumbleDatabase } from '../db.ts';
import { type Taken, tables, takeKept, takePhotos } from './rows.ts';

/** Whether nobody has done anything in this browser yet: there is the demo as it came, or not even that. */
export async function isUntouched(db: VumbleDatabase): Promise<boolean> {
  const { demoJobs } = await import('../../../demo/jobs.ts');
  const demo = new Set(demoJobs().map(({ id }) => id));
  if ((await db.edits.count()) + (await db.photos.count()) + (await db.atOnce.notes.count()) > 0)
    return false;
  const jobs = await db.jobs.toArray();
  if (jobs.some(({ id, rev, deleted }) => !demo.has(id) || rev || deleted)) return false;
  const { DEMO_SHELF } = await import('../../../demo/shelf.ts');
  const came = new Map(DEMO_SHELF.map((part) => [part.id, JSON.stringify(part)]));
  const parts = await db.parts.toArray();
  if (parts.some((part) => came.get(part.id) !== JSON.stringify(part))) return false;
  return (await db.movements.toCollection().primaryKeys()).every((id) => id.startsWith('first-'));
}

/**
 * Puts a backup in the place of a browser's untouched demo. What comes is as it was packed: packed again it is the same.
 */
export async function takeWhole(pack: Pack, db: VumbleDatabase): Promise<Taken> {
  const before = {
    jobs: await db.jobs.toArray(),
    parts: await db.parts.toArray(),
    movements: await db.movements.toArray(),
    histories: await db.histories.toArray(),
    settings: await db.settings.toArray(),
  };
  await db.transaction('rw', tables(db), async () => {
    await clear(db);
    await db.jobs.bulkAdd(
      pack.jobs.map(({ file, updatedAt, binned }) => ({
        ...rowOf(file.job, updatedAt),
        deleted: binned ? (1 as const) : (0 as const),
      })),
    );
    await db.histories.bulkAdd([
      ...pack.jobs.flatMap(({ id, history }) => (history ? [{ id: `job ${id}` as const, history }] : [])),
      ...Object.entries(pack.partHistories).map(([id, history]) => ({ id: `part ${id}` as const, history })),
    ]);
    await db.parts.bulkAdd(pack.shelf?.parts ?? []);
    await db.movements.bulkAdd(pack.shelf?.movements ?? []);
    await takePhotos(pack.photos, db);
  });
  const apart = takeKept(Object.entries(pack.kept));
  return {
    jobIds: pack.jobs.map(({ id }) => id),
    undo: async () => {
      await db.transaction('rw', tables(db), async () => {
        await clear(db);
        await db.jobs.bulkAdd(before.jobs);
        await db.parts.bulkAdd(before.parts);
        await db.movements.bulkAdd(before.movements);
        await db.histories.bulkAdd(before.histories);
        await db.settings.bulkPut(before.settings);
      });
      // What was on its way into a job that goes is not to be done to the one that comes back.
      await db.atOnce.notes.clear();
      await apart();
    },
  };
}

async function clear(db: VumbleDatabase): Promise<void> {
  for (const table of [db.jobs, db.edits, db.parts, db.movements, db.histories, db.photos])
    await table.clear();
  // The job last open may not be among those that come.
  await db.settings.bulkDelete(['last-job', 'last-stage']);
}
