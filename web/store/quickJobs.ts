import { lampEvidenceOf } from '../../core/model/seen.ts';
import type { QuickJob } from '../../core/quick/quickJob.ts';
import { db as appDatabase, firstCount, rowOf, type VumbleDatabase } from './db.ts';

/**
 * Makes a job of a quick check. An LED of which only a kind is known goes on the shelf under an id of its own, so that
 * what is found out about it later is written there.
 *
 * @returns the id of the job
 */
export async function keepQuickJob(
  { job, shelf, lampIds }: QuickJob,
  db: VumbleDatabase = appDatabase,
): Promise<string> {
  const id = `job-${crypto.randomUUID()}`;
  const ledId = job.chosen[lampIds[0] ?? ''];
  const part = shelf.find((each) => each.id === ledId);
  const own = part?.kind === 'led' && part.open !== undefined ? { ...part, id: `led-${id}` } : null;
  const rename = <T extends string | null>(partId: T) => (own && partId === ledId ? own.id : partId);
  const chosen = Object.fromEntries(Object.entries(job.chosen).map(([lamp, each]) => [lamp, rename(each)]));
  const evidence = lampEvidenceOf(job).map((seen) => ({
    ...seen,
    id: `seen-${crypto.randomUUID()}`,
    vehicleId: `vehicle-${id}`.slice(0, 64),
    fitted: {
      ...seen.fitted,
      lamps: Object.fromEntries(
        Object.entries(seen.fitted.lamps).map(([lamp, each]) => [lamp, rename(each)]),
      ),
    },
  }));
  const kept = {
    ...job,
    id,
    vehicle: { ...job.vehicle, id: `vehicle-${id}`.slice(0, 64) },
    chosen,
    evidence,
  };
  await db.transaction('rw', db.jobs, db.parts, db.movements, async () => {
    if (own) {
      await db.parts.add(own);
      await db.movements.add(firstCount(own, new Date().toISOString()));
    }
    await db.jobs.add(rowOf(kept, new Date().toISOString()));
  });
  return id;
}
