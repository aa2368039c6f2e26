import { jobOwnProblems } from '../formats/jobFile.ts';
import { type ChangedField, changedFields } from '../merge/changedFields.ts';
import { ancestry, type History, type Signer } from '../merge/history.ts';
import { isList, type Json, stepsOf, within } from '../merge/leaves.ts';
import {
  type Answers,
  type Copy,
  type Merge,
  mergeDocuments,
  type Question,
  type SideName,
} from '../merge/mergeDocuments.ts';
import { mergedLogs } from '../merge/mergeLogs.ts';
import { sealed } from '../merge/seal.ts';
import type { Evidence } from '../model/evidence.ts';
import { hasNamed, namesOf } from '../model/evidenceNames.ts';
import { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';
import { mark } from '../record/tell.ts';

/** A copy of a job, with what it knows of how it came about. */
export interface JobCopy {
  job: Job;
  history: History;
}

/** What two copies of a job come to. */
export interface JobMerge {
  job: Job;
  history: History;
  /** those that are still to be answered; the job is not to be used before */
  questions: readonly Question[];
  /** why the plan as a whole is asked, where it is: what would not go together */
  clash: readonly string[];
  /** one copy had all of the other */
  forward: SideName | null;
  /** records of theirs that mine had not */
  arrived: readonly Evidence[];
}

type Plan = Omit<Job, 'evidence'>;

/** A job as it leaves its device: what was changed since the last time is one more revision. */
export function sealedJob(job: Job, history: History | null, signer: Signer): JobCopy {
  return { job, history: sealed(planOf(job) as Json, history, signer, job.evidence.length) };
}

/**
 * Two copies of one job as one. What was told is united; fields are laid together as `mergeDocuments` does; where one copy
 * deleted a lamp, circuit, fuse, plug or opening that the other has used since, both are asked as one question; and where
 * what comes out is no sound job, whose plan stands is asked as a whole.
 *
 * @param answers by the path of the question
 */
export function mergeJobs(mine: JobCopy, theirs: JobCopy, answers: Answers, signer: Signer): JobMerge {
  const copies: [Copy, Copy] = [asCopy(mine), asCopy(theirs)];
  const log = mergedLogs(mine.job.evidence, theirs.job.evidence);
  const here = new Set(mine.job.evidence.map(({ id }) => id));
  const arrived = log.filter(({ id }) => !here.has(id));
  const first = mergeDocuments(...copies, answers, signer);
  if (first.forward)
    return { ...jobOf(first, log, signer), questions: [], clash: [], forward: first.forward, arrived };
  const together = new Map<string, string>();
  let merge = first;
  // What is kept for a use may have been kept from another deletion: each round finds the next.
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const found = usedAndDropped(merge, mine, theirs, together);
    if (found === 0) break;
    merge = mergeDocuments(...copies, answers, signer, together);
  }
  let clash: readonly string[] = [];
  if (merge.questions.length === 0 || WHOLE in answers) {
    clash = WHOLE in answers ? [] : problemsOf(jobOf(merge, log, signer).job);
    if (clash.length > 0 || WHOLE in answers)
      merge = mergeDocuments(...copies, answers, signer, new Map([[WHOLE, WHOLE]]));
  }
  const { questions } = merge;
  return { ...jobOf(merge, log, signer), questions, clash, forward: null, arrived };
}

/** What of a job's plan is not as it was; its log only grows, and is counted. */
export function changedPlan(before: Job, after: Job): ChangedField[] {
  return changedFields(planOf(before) as Json, planOf(after) as Json);
}

/** The question of whose plan stands as a whole. */
export const WHOLE = '';
const MOST_ROUNDS = 12;

function planOf({ evidence: _, ...plan }: Job): Plan {
  return plan;
}

function asCopy({ job, history }: JobCopy): Copy {
  return { document: planOf(job) as Json, history };
}

/** The job of a merge: in the order of its schema, and with nothing on record that names what is gone. */
function jobOf(merge: Merge, log: readonly Evidence[], signer: Signer): JobCopy {
  const raw = { ...(merge.document as unknown as Plan), evidence: [...log] };
  const parsed = Job.safeParse(raw);
  const job = parsed.success ? parsed.data : raw;
  const evidence = withoutGone(job, signer);
  return { job: { ...job, evidence }, history: { ...merge.history, told: evidence.length } };
}

/** What is told of something the vehicle has not any more is taken back, as a record: it stands again where that does. */
function withoutGone(job: Job, signer: Signer): Evidence[] {
  const gone = standing(job).filter((each) => namesOf(each).some((named) => !hasNamed(job.vehicle, named)));
  const evidence = [...job.evidence];
  for (const { id } of gone)
    evidence.push(
      mark({ vehicle: job.vehicle, evidence }, id, false, {
        id: `${signer.id}-${evidence.length}`.slice(0, 64),
        at: signer.at,
        device: signer.device,
      }),
    );
  return evidence;
}

function problemsOf(job: Job): string[] {
  const parsed = Job.safeParse(job);
  if (!parsed.success)
    return parsed.error.issues
      .slice(0, 4)
      .map(({ path, message }) => `${path.map(String).join('.')}: ${message}`);
  return jobOwnProblems(parsed.data).slice(0, 4);
}

/** Where the things of a vehicle stand that something else may name. */
const NAMED = ['lamps', 'circuits', 'fuses', 'earthPoints', 'openings', 'connectors'];

/**
 * Finds what one copy deleted and the other named in something new, and has all of it decided by one answer.
 *
 * @param together is added to
 * @returns how many were found
 */
function usedAndDropped(merge: Merge, mine: JobCopy, theirs: JobCopy, together: Map<string, string>): number {
  let found = 0;
  const known = ancestry(merge.history.revisions);
  for (const { path, by } of merge.dropped) {
    const [top, list, id, ...further] = stepsOf(path);
    if (top !== 'vehicle' || !list || !NAMED.includes(list) || !id || further.length > 0) continue;
    if (together.has(path)) continue;
    const [user, deleter] = by === 'mine' ? [theirs, mine] : [mine, theirs];
    const used = newsNaming(user, id, known(deleter.history.head));
    const told = toldOf(user.job, deleter.job, id);
    if (used.length === 0 && !told) continue;
    found += 1;
    together.set(path, path);
    for (const each of [...used, ...newsNaming(deleter, id, known(user.history.head))])
      if (!together.has(each) && each !== path) together.set(each, path);
  }
  return found;
}

/** Whether a copy has something on record of a thing that the other has not heard. */
function toldOf(job: Job, other: Job, id: string): boolean {
  const heard = new Set(other.evidence.map((each) => each.id));
  return standing(job).some(
    (each) => !heard.has(each.id) && namesOf(each).some((named) => named.id === id || named.plugId === id),
  );
}

/** Fields a copy wrote that the other has not heard of and that name something, or did before. */
function newsNaming({ history }: JobCopy, id: string, heard: ReadonlySet<string>): string[] {
  const paths = new Set<string>();
  for (const [path, { rev, value }] of Object.entries(history.fields)) {
    if (heard.has(history.revisions[rev]?.id ?? '')) continue;
    const steps = stepsOf(path);
    const place = steps.indexOf(id);
    if (place >= 0) paths.add(steps.slice(0, place + 1).reduce((inner, step) => within(inner, step), ''));
    // The order of a list names its items, and that is no use of them.
    else if (!(within(path, id) in history.fields) && mentions(value as Json | undefined, id))
      paths.add(path);
  }
  return [...paths];
}

function mentions(value: Json | undefined, id: string): boolean {
  if (typeof value !== 'object' || value === null) return value === id;
  if (isList(value)) return value.some((each) => mentions(each, id));
  return Object.entries(value).some(([key, each]) => key === id || mentions(each, id));
}
