import { namedParts } from '../../core/model/partReferences.ts';
import { db as appDatabase, putDemoIn, type VumbleDatabase } from './db.ts';

/** What of the demo is here. */
export interface DemoHere {
  jobs: readonly { id: string; title: string; changed: boolean }[];
  parts: number;
  /** jobs and parts of the demo that are not here any more */
  missing: number;
}

async function demo() {
  const [{ demoJobs }, { DEMO_SHELF }] = await Promise.all([
    import('../../demo/jobs.ts'),
    import('../../demo/shelf.ts'),
  ]);
  return { jobs: demoJobs(), parts: DEMO_SHELF };
}

/** What of the demo is in this browser, and which of its jobs somebody has worked on. */
export async function demoHere(db: VumbleDatabase = appDatabase): Promise<DemoHere> {
  const { jobs, parts } = await demo();
  const rows = (await db.jobs.bulkGet(jobs.map(({ id }) => id))).flatMap((row) =>
    row?.deleted === 0 ? [row] : [],
  );
  const shelf = (await db.parts.bulkGet(parts.map(({ id }) => id))).filter((part) => part !== undefined);
  return {
    jobs: rows.map(({ id, job, rev }) => ({ id, title: job.title, changed: (rev ?? 0) > 0 })),
    parts: shelf.length,
    missing: jobs.length - rows.length + parts.length - shelf.length,
  };
}

/**
 * Takes the demo out: its jobs, those somebody has worked on into the bin, and those of its parts that no other job names.
 *
 * @returns what puts back exactly what was taken
 */
export async function takeDemoOut(db: VumbleDatabase = appDatabase): Promise<() => Promise<void>> {
  const { jobs, parts } = await demo();
  return db.transaction('rw', db.jobs, db.parts, db.movements, async () => {
    const rows = (await db.jobs.bulkGet(jobs.map(({ id }) => id))).flatMap((row) =>
      row?.deleted === 0 ? [row] : [],
    );
    const worked = rows.filter(({ rev }) => rev);
    await db.jobs.bulkDelete(rows.filter(({ rev }) => !rev).map(({ id }) => id));
    for (const { id } of worked) await db.jobs.update(id, { deleted: 1 });
    const shelf = await db.parts.toArray();
    // One job after the other: the bin's too, since they may come back.
    const needed = new Set<string>();
    await db.jobs.each(({ job }) => {
      for (const id of namedParts(job, shelf)) needed.add(id);
    });
    const ids = parts.map(({ id }) => id).filter((id) => !needed.has(id));
    const gone = (await db.parts.bulkGet(ids)).flatMap((part) => part ?? []);
    const moved = await db.movements.where('partId').anyOf(ids).toArray();
    await db.parts.bulkDelete(ids);
    await db.movements.bulkDelete(moved.map(({ id }) => id));
    return () =>
      db.transaction('rw', db.jobs, db.parts, db.movements, async () => {
        await db.jobs.bulkPut(rows);
        await db.parts.bulkPut(gone);
        await db.movements.bulkPut(moved);
      });
  });
}

/** Puts back what of the demo is not here, and leaves alone what is. */
export async function putDemoBack(db: VumbleDatabase = appDatabase): Promise<void> {
  const { jobs } = await demo();
  // One that was put into the bin comes out of it as it is.
  await db.jobs
    .where('id')
    .anyOf(jobs.map(({ id }) => id))
    .modify({ deleted: 0 });
  await db.settings.put({ key: 'demo', value: 'missing' });
  await putDemoIn(db);
}
