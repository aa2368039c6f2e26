import type { Draft } from 'immer';
import type { JobFile } from '../../core/formats/jobFile.ts';
import type { Job } from '../../core/model/job.ts';
import { Part } from '../../core/model/part.ts';
import { visitParts } from '../../core/model/partReferences.ts';
import { db as appDatabase, firstCount, rowOf, type VumbleDatabase } from './db.ts';
import { actOf, storeActs } from './edits.ts';
import { jobCheck } from './jobCheck.ts';

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
  return db.transaction('rw', db.jobs, db.edits, db.parts, db.journal, db.movements, async () => {
    const { job, parts } = withOwnIds(preview, await db.parts.toArray());
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
function withOwnIds(
  { file, newParts, differing }: ImportPreview,
  here: readonly Part[],
): { job: Job; parts: Part[] } {
  const job = structuredClone(file.job);
  const taken = new Map([...here, ...newParts].map((part) => [part.id, part]));
  const parts = [...newParts];
  const own = new Map<string, string>();
  for (const part of differing) {
    const id = ownId(part, file.job.id, taken);
    own.set(part.id, id);
    const mine = { ...part, id };
    if (!taken.has(id)) parts.push(mine);
    taken.set(id, mine);
  }
  visitParts(job, ({ partId }) => own.get(partId) ?? partId);
  return { job, parts: parts.map((part) => withOwnItems(part, own)) };
}

/** A kit whose box names parts by the ids they have here. */
function withOwnItems(part: Part, own: ReadonlyMap<string, string>): Part {
  if (part.kind !== 'kit' || !part.sheet.items.some(({ partId }) => partId && own.has(partId))) return part;
  const items = part.sheet.items.map((item) =>
    item.partId ? { ...item, partId: own.get(item.partId) ?? item.partId } : item,
  );
  return { ...part, sheet: { ...part.sheet, items } };
}

/** An id for a part of a file whose own is another's here: one that is free, or that of the same part brought in before. */
function ownId(part: Part, jobId: string, taken: ReadonlyMap<string, Part>): string {
  for (let count = 1; ; count += 1) {
    const end = count === 1 ? '' : `-${count}`;
    const id = `${`${part.id}-of-${jobId}`.slice(0, 64 - end.length)}${end}`;
    const there = taken.get(id);
    if (!there || samePart({ ...there, id }, { ...part, id })) return id;
  }
}

/** Stock, prices and sellers are the shelf's own business; a part differs when its electrical or physical figures do. */
function samePart(mine: Part, theirs: Part): boolean {
  // Parsing puts the fields of both in the schema's order, so that equal parts are equal as text.
  const comparable = (part: Part) => {
    const { pack: _, seller: __, orderCode: ___, ...itself } = part;
    return JSON.stringify(Part.parse({ ...itself, stock: 0, price: 0 }));
  };
  return comparable(mine) === comparable(theirs);
}
