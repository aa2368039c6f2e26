import { z } from 'zod';
import { jobOwnProblems } from '../../core/formats/jobFile.ts';
import { Id } from '../../core/model/fields.ts';
import { Job } from '../../core/model/job.ts';
import { Part } from '../../core/model/part.ts';
import { ShelfMovement } from '../../core/model/pieces.ts';
import { type AsideRow, db as appDatabase, type JobRow, type VumbleDatabase, withJob } from './db.ts';
import { setAside } from './setAside.ts';

const Patches = z.array(z.looseObject({ op: z.string(), path: z.array(z.union([z.string(), z.number()])) }));
const Flag = z.union([z.literal(0), z.literal(1)]);

/** What the rows of each table must be. */
const ROWS = {
  jobs: z.looseObject({
    id: Id,
    job: Job,
    updatedAt: z.iso.datetime(),
    deleted: Flag,
    rev: z.int().optional(),
  }),
  parts: Part,
  movements: ShelfMovement,
  photos: z.looseObject({
    id: z.string(),
    jobId: z.string(),
    lampId: z.string().nullable(),
    takenAt: z.string(),
    name: z.string(),
    image: z.custom<Blob>((each) => each instanceof Blob, 'there is no picture in it'),
    deleted: Flag,
  }),
  edits: z.looseObject({
    jobId: z.string(),
    label: z.string(),
    undone: Flag,
    forward: Patches,
    backward: Patches,
  }),
} as const;
type Checked = keyof typeof ROWS;

/**
 * Looks at every row of the store and takes those out of the way that are not what they should be: one bad row takes no
 * place down. What stands around a sound job (whether it is in the bin, when it was changed) is mended at once.
 *
 * @param broke whether a screen broke: then jobs that do not hang together, and steps of undo, are looked at too
 * @returns how many were set aside
 */
export async function checkRows(broke: boolean, db: VumbleDatabase = appDatabase): Promise<number> {
  let found = 0;
  const tables: Checked[] = broke
    ? ['jobs', 'parts', 'movements', 'photos', 'edits']
    : ['jobs', 'parts', 'movements', 'photos'];
  for (const table of tables) {
    for (const key of await db.table(table).toCollection().primaryKeys()) {
      const row: unknown = await db.table(table).get(key);
      const problem = row === undefined ? null : problemOf(table, row, broke);
      if (problem === null || (table === 'jobs' && (await mendFrame(db, row)))) continue;
      if (await setAside(db, table, key as string, problem)) found += 1;
    }
  }
  return found;
}

/** What is wrong with a row, in words; null where nothing is. */
export function problemOf(table: AsideRow['table'], row: unknown, whole = true): string | null {
  if (table === 'journal') return 'It was not stored.';
  const parsed = ROWS[table].safeParse(row);
  if (!parsed.success) {
    const [first] = parsed.error.issues;
    return `${first?.path.map(String).join('.') || 'the row'}: ${first?.message ?? 'not what it should be'}.`;
  }
  if (table !== 'jobs') return null;
  const { id, job } = parsed.data as JobRow;
  if (job.id !== id) return `id: the row is "${id}" and the job in it "${job.id}".`;
  return whole ? (jobOwnProblems(job)[0] ?? null) : null;
}

/** A sound job in a frame that is not: the frame is made anew. Returns whether that was all. */
async function mendFrame(db: VumbleDatabase, row: unknown): Promise<boolean> {
  const { id, job, updatedAt, deleted, rev } = row as Partial<JobRow>;
  const mended = {
    id,
    job,
    updatedAt: z.iso.datetime().safeParse(updatedAt).success ? updatedAt : job?.createdAt,
    deleted: deleted === 1 ? 1 : 0,
    rev: Number.isInteger(rev) ? rev : 0,
  } as JobRow;
  if (problemOf('jobs', mended) !== null) return false;
  await db.jobs.put(withJob(mended, mended.job));
  return true;
}
