import equal from 'fast-deep-equal';
import type { Pack, PackJob } from '../../../core/formats/pack.ts';
import { type JobCopy, type JobMerge, mergeJobs, sealedJob } from '../../../core/handoff/mergeJobs.ts';
import { ancestry, type History } from '../../../core/merge/history.ts';
import { type Answers, mergeDocuments, type Question } from '../../../core/merge/mergeDocuments.ts';
import { sealed } from '../../../core/merge/seal.ts';
import { Part } from '../../../core/model/part.ts';
import { visitParts } from '../../../core/model/partReferences.ts';
import type { JobRow, VumbleDatabase } from '../db.ts';
import { samePart, withOwnIds } from '../ownIds.ts';
import { signer, withoutStock } from './sealing.ts';

/** Answers by document, `job ID` or `part ID`, and within it by the path of the question. */
export type AllAnswers = Readonly<Record<string, Answers>>;

/** A job of a pack beside the one that is here. */
export interface JobTogether {
  id: string;
  theirs: JobCopy;
  packed: PackJob;
  /** null where there is none here: it is added */
  row: JobRow | null;
  /** both in one; null where it is added */
  merge: JobMerge | null;
}

/** A part of a pack beside the one that is here. */
export interface PartTogether {
  id: string;
  what: 'added' | 'same' | 'merged' | 'beside';
  part: Part;
  history: History | null;
  questions: readonly Question[];
}

/** Whether two copies come of one: a revision both know of. */
function haveCommon(a: History | null, b: History | null): boolean {
  if (!a || !b) return false;
  const known = ancestry(a.revisions)(a.head);
  return b.revisions.some(({ id }) => known.has(id));
}

/**
 * Every part of a pack beside the shelf here. One of a stranger's with the same name and other figures comes in beside;
 * of the same workshop's, or where both come of one, what differs is laid together or asked.
 */
export async function partsTogether(
  pack: Pack,
  answers: AllAnswers,
  db: VumbleDatabase,
): Promise<PartTogether[]> {
  const theirs = new Map<string, Part>();
  for (const { file } of pack.jobs) for (const part of file.parts) theirs.set(part.id, part);
  for (const part of pack.shelf?.parts ?? []) theirs.set(part.id, part);
  const here = new Map(
    (await db.parts.bulkGet([...theirs.keys()])).flatMap((part) => (part ? [[part.id, part]] : [])),
  );
  const rows = await db.histories.bulkGet([...theirs.keys()].map((id) => `part ${id}` as const));
  const known = new Map(rows.flatMap((row) => (row ? [[row.id.slice('part '.length), row.history]] : [])));
  return [...theirs.values()].map((part) =>
    partTogether(
      part,
      pack.partHistories[part.id] ?? null,
      here.get(part.id) ?? null,
      known.get(part.id) ?? null,
      pack.content !== 'jobs',
      answers[`part ${part.id}`] ?? {},
    ),
  );
}

function partTogether(
  part: Part,
  theirHistory: History | null,
  mine: Part | null,
  myHistory: History | null,
  oneShelf: boolean,
  answers: Answers,
): PartTogether {
  const { id } = part;
  if (!mine) return { id, what: 'added', part, history: theirHistory, questions: [] };
  const [a, b] = [withoutStock(mine), withoutStock(Part.parse(part))];
  if (!haveCommon(myHistory, theirHistory)) {
    // The same on both: from now on it has one past.
    if (equal(a, b)) return { id, what: 'same', part, history: theirHistory ?? myHistory, questions: [] };
    if (!oneShelf)
      return { id, what: samePart(mine, part) ? 'same' : 'beside', part, history: null, questions: [] };
  }
  const signed = signer();
  const merge = mergeDocuments(
    { document: a, history: sealed(a, myHistory, signed) },
    { document: b, history: sealed(b, theirHistory, signer()) },
    answers,
    signed,
  );
  const merged = { ...(merge.document as unknown as Part), stock: mine.stock } as Part;
  const sound = Part.safeParse(merged);
  return {
    id,
    what: sound.success && sameAs(sound.data, mine) ? 'same' : 'merged',
    part: sound.success ? sound.data : mine,
    history: merge.history,
    questions: merge.questions,
  };
}

function sameAs(a: Part, b: Part): boolean {
  return JSON.stringify(a) === JSON.stringify(Part.parse(b));
}

/** Every job of a pack beside the one here, its parts named as they are here. */
export async function jobsTogether(
  pack: Pack,
  parts: readonly PartTogether[],
  answers: AllAnswers,
  db: VumbleDatabase,
): Promise<{ jobs: JobTogether[]; beside: Part[] }> {
  const shelf = await db.parts.toArray();
  const beside = parts.filter(({ what }) => what === 'beside').map(({ part }) => part);
  const jobs: JobTogether[] = [];
  const added: Part[] = [];
  for (const packed of pack.jobs) {
    const own = withOwnIds(
      packed.file.job.id,
      beside.filter(({ id }) => packed.file.parts.some((part) => part.id === id)),
      [...shelf, ...added],
    );
    added.push(...own.parts);
    const theirs = renamed(packed, own.names);
    const row = (await db.jobs.get(packed.id)) ?? null;
    const history = (await db.histories.get(`job ${packed.id}`))?.history ?? null;
    const merge = row
      ? mergeJobs(sealedJob(row.job, history, signer()), theirs, answers[`job ${packed.id}`] ?? {}, signer())
      : null;
    jobs.push({ id: packed.id, theirs, packed, row, merge });
  }
  return { jobs, beside: added };
}

/** A job of a pack with the ids its parts have here; renaming them is a revision of its own. */
function renamed({ file, history }: PackJob, names: ReadonlyMap<string, string>): JobCopy {
  if (names.size === 0) return sealedJob(file.job, history, signer());
  const job = structuredClone(file.job);
  visitParts(job, ({ partId }) => names.get(partId) ?? partId);
  return sealedJob(job, sealedJob(file.job, history, signer()).history, signer());
}
