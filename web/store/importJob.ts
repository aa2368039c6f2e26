import type { Draft } from 'immer';
import type { JobFile } from '../../core/formats/jobFile.ts';
import type { Job } from '../../core/model/job.ts';
import type { Part } from '../../core/model/part.ts';
import { visitParts } from '../../core/model/partReferences.ts';
import { db as appDatabase, firstCount, rowOf, type VumbleDatabase } from './db.ts';
import { actOf, storeActs } from './edits.ts';
import { jobCheck } from './jobCheck.ts';
import { samePart, withOwnIds, withOwnItems } from './ownIds.ts';

/** What an import would do, worked out before anything is written. */
export interface ImportPreview {
  file: JobFile;
  /** the job of the same id already here, if any */
  existing: { title: string; updatedAt: string; deleted: boolean } | null;
  /** parts this shelf does not have yet */
  newParts: readonly Part[];
  /** parts this shelf has with other figures: the file's come in under a new id, nothing here is touched */
  differing: readonly Part[];
}

export type ImportMode = 'add' | 'keep-both' | 'replace';

export async function previewImport(file: JobFile, db: VumbleDatabase = appDatabase): Promise<ImportPreview> {
  const row = await db.jobs.get(file.job.id);
  const here = await db.parts.bulkGet(file.parts.map((part) => part.id));
  const newParts: Part[] = [];
  const differing: Part[] = [];
  file.parts.forEach((part, index) => {
    const mine = here[index];
    if (!mine) newParts.push(part);
    else if (!samePart(mine, part)) differing.push(part);
  });
  return {
    file,
    existing: row ? { title: row.job.title, updatedAt: row.updatedAt, deleted: row.deleted === 1 } : null,
    newParts,
    differing,
  };
}

/**
 * Brings a job in. Nothing that is here is overwritten unless `replace` was chosen, and that is an edit of
 * the job like any other, so it can be undone.
 *
 * @returns the id of the job as it is here now
 */
export async function importJob(
  preview: ImportPreview,
  mode: ImportMode,
  newId: string,
  db: VumbleDatabase = appDatabase,
): Promise<string> {
  // A transaction waits for nothing but the store: what checks the job is there before it begins.
  const checked = await jobCheck();
  return db.transaction('rw', db.jobs, db.edits, db.parts, db.storedActs, db.movements, async () => {
    const { job, parts } = withTheirIds(preview, await db.parts.toArray());
    await db.parts.bulkPut(parts);
    // Pieces on somebody else's shelf are not on this one.
    const now = new Date().toISOString();
    await db.movements.bulkAdd(parts.map(({ id }) => firstCount({ id, stock: 0 }, now)));
    if (mode === 'replace' && preview.existing) {
      await storeActs(
        db,
        job.id,
        [actOf('Replace the job by an import', (draft) => replace(draft, job))],
        checked,
      );
      await db.jobs.update(job.id, { deleted: 0 });
      return job.id;
    }
    const added: Job = preview.existing ? { ...job, id: newId } : job;
    await db.jobs.add(rowOf(added, new Date().toISOString()));
    return added.id;
  });
}

/** Puts one job in the place of another, with all the other had and it has not taken out. */
function replace(draft: Draft<Job>, job: Job): void {
  for (const field of Object.keys(draft)) if (!(field in job)) delete draft[field as 'scope'];
  Object.assign(draft, job);
}

/** The job with the ids its parts get here, and the parts to add: none that is here is overwritten. */
function withTheirIds(
  { file, newParts, differing }: ImportPreview,
  here: readonly Part[],
): { job: Job; parts: Part[] } {
  const job = structuredClone(file.job);
  const { names, parts } = withOwnIds(file.job.id, differing, [...here, ...newParts]);
  visitParts(job, ({ partId }) => names.get(partId) ?? partId);
  return { job, parts: [...newParts.map((part) => withOwnItems(part, names)), ...parts] };
}
