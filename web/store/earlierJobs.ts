import type { LaterItem } from '../../core/model/past.ts';
import { db as appDatabase, type VumbleDatabase } from './db.ts';

/** Another job on the very same vehicle, with what it left and what was wished for. */
export interface EarlierJob {
  id: string;
  title: string;
  createdAt: string;
  later: readonly LaterItem[];
}

/** The other jobs of a vehicle, the newest first; binned ones are none. */
export async function earlierJobs(
  vehicleId: string,
  jobId: string,
  db: VumbleDatabase = appDatabase,
): Promise<EarlierJob[]> {
  const rows = await db.jobs.where('job.vehicle.id').equals(vehicleId).toArray();
  return rows
    .filter(({ id, deleted }) => id !== jobId && deleted === 0)
    .map(({ id, job: { title, createdAt, later = [] } }) => ({ id, title, createdAt, later }))
    .toSorted((a, b) => b.createdAt.localeCompare(a.createdAt));
}
