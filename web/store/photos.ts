import { db as appDatabase, type PhotoRow, type VumbleDatabase } from './db.ts';

/** Larger than any camera's picture; what is larger is no photograph, bytes. */
export const PHOTO_MAX_BYTES = 40_000_000;
/** A photograph is kept at most so wide or high: enough to read a bulb's number, px. */
const LONGEST_SIDE = 1600;
const QUALITY = 0.85;

/** A file that cannot be kept as a photograph. Says what to choose instead. */
export class NotAPhotoError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'NotAPhotoError';
  }
}

/**
 * Makes a picture of sensible size from a file out of a camera or a folder.
 *
 * @throws NotAPhotoError when it is no picture this browser can open
 */
export async function shrinkPhoto(file: File): Promise<Blob> {
  if (file.size > PHOTO_MAX_BYTES)
    throw new NotAPhotoError(
      `${file.name} is larger than ${PHOTO_MAX_BYTES / 1e6} MB. Choose a smaller picture.`,
    );
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new NotAPhotoError(
      `${file.name} is not a picture this browser can open. Choose a JPEG, PNG or WebP file.`,
    );
  }
  const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve, reject) => {
    canvas.toBlob(
      (blob) =>
        blob
          ? resolve(blob)
          : reject(new NotAPhotoError(`${file.name} could not be made smaller. Try another picture.`)),
      'image/jpeg',
      QUALITY,
    );
  });
}

export async function addPhoto(
  photo: Omit<PhotoRow, 'deleted' | 'takenAt'>,
  db: VumbleDatabase = appDatabase,
): Promise<void> {
  await db.photos.add({ ...photo, takenAt: new Date().toISOString(), deleted: 0 });
}

/** The photographs of a job that are not in the bin, oldest first. */
export async function photosOf(jobId: string, db: VumbleDatabase = appDatabase): Promise<PhotoRow[]> {
  const rows = await db.photos.where({ jobId }).toArray();
  return rows.filter((row) => row.deleted === 0).toSorted((a, b) => a.takenAt.localeCompare(b.takenAt));
}

/** Puts a photograph in the bin; `restorePhoto` takes it back. */
export async function binPhoto(id: string, db: VumbleDatabase = appDatabase): Promise<void> {
  await db.photos.update(id, { deleted: 1 });
}

export async function restorePhoto(id: string, db: VumbleDatabase = appDatabase): Promise<void> {
  await db.photos.update(id, { deleted: 0 });
}
