import { nameOfJob } from '../../core/formatting/nameOfJob.ts';
import { db as appDatabase, type VumbleDatabase } from './db.ts';

/** What is in the bin. */
export interface Bin {
  jobs: { id: string; title: string }[];
  photos: number;
}

/** Ids of the jobs in the bin and of the photographs that would go with them. */
async function binned(db: VumbleDatabase) {
  const rows = await db.jobs.where({ deleted: 1 }).toArray();
  const gone = new Set(rows.map(({ id }) => id));
  // Pictures are large: their keys and flags alone, one at a time.
  const photos: string[] = [];
  await db.photos.each((photo) => {
    if (photo.deleted === 1 || gone.has(photo.jobId)) photos.push(photo.id);
  });
  return { rows, photos };
}

export async function binContents(db: VumbleDatabase = appDatabase): Promise<Bin> {
  const { rows, photos } = await binned(db);
  return {
    jobs: rows.map(({ id, job }) => ({ id, title: nameOfJob(job.title, job.vehicle) })),
    photos: photos.length,
  };
}

/** Takes everything in the bin away for good, with its photographs and its history: the disk has room again. */
export async function emptyBin(db: VumbleDatabase = appDatabase): Promise<void> {
  const gone = await db.transaction('rw', db.jobs, db.photos, db.edits, async () => {
    const { rows, photos } = await binned(db);
    const gone = new Set(rows.map(({ id }) => id));
    await db.photos.bulkDelete(photos);
    await db.jobs.bulkDelete([...gone]);
    await db.edits.filter(({ jobId }) => gone.has(jobId)).delete();
    return gone;
  });
  await db.atOnce.notes.filter(({ jobId }) => gone.has(jobId)).delete();
}
