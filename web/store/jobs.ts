import { newJob } from '../../core/model/newJob.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { db as appDatabase, rowOf, type VumbleDatabase } from './db.ts';
import { JobGoneError } from './edits.ts';
import { readShelf } from './stock.ts';
import { withWholeLog } from './vehicleLog.ts';
import { writer } from './writer.ts';

/** A new job on a vehicle already on record, with everything still to do. */
export async function startJob(
  id: string,
  title: string,
  vehicle: Vehicle,
  db: VumbleDatabase = appDatabase,
): Promise<string> {
  const now = new Date().toISOString();
  await db.jobs.add(rowOf(newJob(id, title, vehicle, now), now));
  return id;
}

/**
 * A new job on the vehicle of another.
 *
 * @param vehicleId of another vehicle like it; null where it is the very same, whose record then goes on
 * @throws JobGoneError where that is gone
 */
export async function startJobLike(
  sourceId: string,
  id: string,
  title: string,
  vehicleId: string | null,
  db: VumbleDatabase = appDatabase,
): Promise<string> {
  const source = await db.jobs.get(sourceId);
  if (!source) throw new JobGoneError();
  return startJob(id, title, { ...source.job.vehicle, id: vehicleId ?? source.job.vehicle.id }, db);
}

/** Puts a job in the bin; `restoreJob` takes it back. */
export async function binJob(id: string, db: VumbleDatabase = appDatabase): Promise<void> {
  await db.jobs.update(id, { deleted: 1 });
}

export async function restoreJob(id: string, db: VumbleDatabase = appDatabase): Promise<void> {
  await db.jobs.update(id, { deleted: 0 });
}

/** The text of one job's file, with the parts it was planned from. */
export async function exportJob(id: string, db: VumbleDatabase = appDatabase): Promise<string> {
  const { jobFileOf, writeJobFile } = await import('../../core/formats/jobFile.ts');
  const row = await db.jobs.get(id);
  if (!row) throw new JobGoneError();
  // What there is no room for goes along: a file is where it can still be kept.
  const job = writer.held(id)?.job ?? row.job;
  return writeJobFile(jobFileOf(await withWholeLog(job, db), await readShelf(db), new Date().toISOString()));
}

/** No visit begins where the last one broke. */
export async function forgetStage(db: VumbleDatabase = appDatabase): Promise<void> {
  await db.settings.bulkDelete(['last-job', 'last-stage']);
}

/** Remembers which job to open next time, and where; a screen beside the stages is left out. */
export async function rememberJob(
  id: string,
  stage: string | null,
  db: VumbleDatabase = appDatabase,
): Promise<void> {
  await db.transaction('rw', db.settings, async () => {
    await db.settings.put({ key: 'last-job', value: id });
    if (stage) await db.settings.put({ key: 'last-stage', value: stage });
    else await db.settings.delete('last-stage');
  });
}
