import type { Job } from '../../core/model/job.ts';
import { withVehicleLog } from '../../core/record/vehicleLog.ts';
import { db as appDatabase, type VumbleDatabase } from './db.ts';

/** A stored job with all that was seen of its vehicle on its other jobs here; those in the bin tell nothing. */
export async function withWholeLog(job: Job, db: VumbleDatabase = appDatabase): Promise<Job> {
  // Asked at every edit: of a vehicle with this one job no row is read again.
  const ids = await db.jobs.where('job.vehicle.id').equals(job.vehicle.id).primaryKeys();
  const rows = await db.jobs.bulkGet(ids.filter((id) => id !== job.id));
  return withVehicleLog(
    job,
    rows.flatMap((row) => (row?.deleted === 0 ? [row.job] : [])),
  );
}
