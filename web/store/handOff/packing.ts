import { jobFileOf } from '../../../core/formats/jobFile.ts';
import type { Pack, PackContent, PackJob, PackPhoto } from '../../../core/formats/pack.ts';
import type { History } from '../../../core/merge/history.ts';
import type { Part } from '../../../core/model/part.ts';
import { namedParts } from '../../../core/model/partReferences.ts';
import type { JobRow, PhotoRow, VumbleDatabase } from '../db.ts';
import { isDraft } from '../draft.ts';
import { JobGoneError } from '../edits.ts';
import { keptValues } from '../kept.ts';
import { knownShelves } from '../shelfId.ts';
import { sealPart, sealRow } from './sealing.ts';

/** What is handed on: some jobs, the shelf, or everything this browser keeps. */
export type Wanted =
  | { content: 'jobs'; ids: readonly string[] }
  | { content: 'shelf' }
  | { content: 'everything' };

/** What is kept for this browser alone: its signature, and where somebody was in it. */
const OWN = /^(device|backup-.*|practice-results|table-.*)$/;

/**
 * Everything that goes into a pack, sealed as it leaves.
 *
 * @param heard is told of each job, with how many there are
 * @throws JobGoneError where a job is no longer here
 */
export async function packOf(
  wanted: Wanted,
  db: VumbleDatabase,
  heard: (done: number, of: number) => void = () => {},
): Promise<Pack> {
  await keptValues.loaded();
  const exportedAt = new Date().toISOString();
  const rows = await rowsOf(wanted, db);
  const shelf = await db.parts.orderBy('id').toArray();
  const jobs: PackJob[] = [];
  for (const row of rows) {
    jobs.push(await packedJob(row, shelf, wanted.content, db));
    heard(jobs.length, rows.length);
  }
  const named = new Set(jobs.flatMap(({ file }) => file.parts.map(({ id }) => id)));
  const parts = wanted.content === 'jobs' ? shelf.filter(({ id }) => named.has(id)) : shelf;
  return {
    content: wanted.content,
    exportedAt,
    jobs,
    photos: wanted.content === 'shelf' ? [] : await photosOf(rows, wanted.content, db),
    shelf: wanted.content === 'jobs' ? null : await shelfOf(shelf, db),
    partHistories: await historiesOf(parts, db),
    kept: wanted.content === 'everything' ? keptHere() : {},
    drawings: [],
  };
}

async function rowsOf(wanted: Wanted, db: VumbleDatabase): Promise<JobRow[]> {
  if (wanted.content === 'shelf') return [];
  if (wanted.content === 'everything') return db.jobs.orderBy('id').toArray();
  const rows = await db.jobs.bulkGet([...wanted.ids].toSorted());
  return rows.map((row) => {
    if (!row) throw new JobGoneError();
    return row;
  });
}

async function packedJob(
  row: JobRow,
  shelf: readonly Part[],
  content: PackContent,
  db: VumbleDatabase,
): Promise<PackJob> {
  const { job, history } = await db.transaction('rw', db.jobs, db.edits, db.histories, () =>
    sealRow(row, db),
  );
  // Beside the whole shelf a job needs only the parts it names.
  const named = namedParts(job, shelf);
  const parts = content === 'everything' ? shelf.filter(({ id }) => named.has(id)) : shelf;
  return {
    id: row.id,
    title: job.title,
    updatedAt: row.updatedAt,
    ...(row.deleted ? { binned: true as const } : {}),
    file: jobFileOf(job, parts, row.updatedAt),
    history,
  };
}

async function photosOf(
  rows: readonly JobRow[],
  content: PackContent,
  db: VumbleDatabase,
): Promise<PackPhoto[]> {
  const ids = new Set(rows.map(({ id }) => id));
  const photos = await db.photos.orderBy('id').toArray();
  const wanted = photos.filter(
    (photo) => ids.has(photo.jobId) && (content === 'everything' || photo.deleted === 0),
  );
  return Promise.all(wanted.map(packedPhoto));
}

async function packedPhoto({ image, deleted, ...photo }: PhotoRow): Promise<PackPhoto> {
  return {
    ...photo,
    name: photo.name.slice(0, 400),
    type: image.type === 'image/png' || image.type === 'image/webp' ? image.type : 'image/jpeg',
    ...(deleted ? { binned: true as const } : {}),
    bytes: new Uint8Array(await image.arrayBuffer()),
  };
}

async function shelfOf(parts: readonly Part[], db: VumbleDatabase): Promise<NonNullable<Pack['shelf']>> {
  return {
    parts: [...parts],
    movements: await db.movements.orderBy('id').toArray(),
    shelves: [...knownShelves()].toSorted(),
  };
}

async function historiesOf(parts: readonly Part[], db: VumbleDatabase): Promise<Record<string, History>> {
  return db.transaction('rw', db.histories, async () => {
    const found: Record<string, History> = {};
    for (const part of parts) found[part.id] = await sealPart(part, db);
    return found;
  });
}

function keptHere(): Record<string, string> {
  const kept = keptValues.all().filter(([key]) => !OWN.test(key) && !isDraft(key));
  return Object.fromEntries(kept.toSorted(([a], [b]) => (a < b ? -1 : 1)));
}
