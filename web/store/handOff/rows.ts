import type { PackPhoto } from '../../../core/formats/pack.ts';
import type { PhotoRow, VumbleDatabase } from '../db.ts';
import { keptValues } from '../kept.ts';

/** Something of a taking, and what takes it back, in the transaction of all of them. */
export type Undo = () => Promise<unknown>;

/** What a pack became here. */
export interface Taken {
  /** ids of the jobs that came or were laid together */
  jobIds: readonly string[];
  /** takes all of it back */
  undo(): Promise<void>;
}

/** Everything a pack may change. */
export function tables(db: VumbleDatabase) {
  return [db.jobs, db.edits, db.storedActs, db.parts, db.movements, db.histories, db.photos, db.settings];
}

/** Puts in what is kept beside the jobs; what stood there before comes back with an undo. */
export function takeKept(kept: readonly (readonly [key: string, text: string])[]): Undo {
  const before = kept.map(([key]) => [key, keptValues.text(key)] as const);
  for (const [key, text] of kept) keptValues.putText(key, text);
  return async () => {
    for (const [key, text] of before)
      if (text === undefined) keptValues.forget(key);
      else keptValues.putText(key, text);
  };
}

/** Photographs that are not here yet. */
export async function takePhotos(photos: readonly PackPhoto[], db: VumbleDatabase): Promise<Undo[]> {
  const here = new Set(await db.photos.toCollection().primaryKeys());
  const fresh = photos.filter(({ id }) => !here.has(id)).map(photoRow);
  await db.photos.bulkAdd(fresh);
  return fresh.length === 0 ? [] : [() => db.photos.bulkDelete(fresh.map(({ id }) => id))];
}

function photoRow({ bytes, type, binned, ...photo }: PackPhoto): PhotoRow {
  return { ...photo, image: new Blob([bytes as BlobPart], { type }), deleted: binned ? 1 : 0 };
}
