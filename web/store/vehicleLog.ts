import type { Job } from '../../core/model/job.ts';
import { withVehicleLog } from '../../core/record/vehicleLog.ts';
import { db as appDatabase, type VumbleDatabase } from './db.ts';

/** A stored job with all that was seen of its vehicle on its other jobs here; those in the bin tell nothing. */
export async function withWholeLog(job: Job, db: VumbleDatabase = appDatabase): Promise<Job> {
  const rows = await db.jobs.where('job.vehicle.id').equals(job.vehicle.id).toArray();
  const others = rows.filter((row) => row.id !== job.id && row.deleted === 0).map((row) => row.job);
  return withVehicleLog(job, others);
}
