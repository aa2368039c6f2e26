import type { Recheck } from '../../core/model/recheck.ts';
import { waitsOf } from '../../core/work/waits.ts';
import { db as appDatabase, type JobRow, type VumbleDatabase } from './db.ts';

/** What a list of jobs says of each. */
export interface JobSummary {
  id: string;
  title: string;
  vehicle: Pick<JobRow['job']['vehicle'], 'name' | 'model' | 'year' | 'systemVolts'>;
  vehicleId: string;
  /** when it was last changed, as far as the clock of then can be believed, ms since 1970 */
  changedMs: number;
  /** what it and the other jobs of its vehicle were last written as: another is another state of it */
  updatedAt: string;
  binned: boolean;
  /** what some of its steps wait for */
  waits: readonly string[];
  /** what is looked at again, still to come or overdue */
  rechecks: readonly Recheck[];
  /** the job it was begun as an equal of, and how many were begun as its */
  likeId: string | null;
  equals: number;
}

export interface JobSummaries {
  /** the newest change first */
  jobs: JobSummary[];
  /** how many rows cannot be listed at all */
  unreadable: number;
}

/** Rows read in one piece: a page with hundreds of jobs stays answerable. */
const AT_A_TIME = 12;

/** Every job in a line; of hundreds no more is held than the list shows. */
export async function jobSummaries(nowMs: number, db: VumbleDatabase = appDatabase): Promise<JobSummaries> {
  const keys = await db.jobs.toCollection().primaryKeys();
  const jobs: JobSummary[] = [];
  let unreadable = 0;
  for (let from = 0; from < keys.length; from += AT_A_TIME) {
    for (const row of await db.jobs.bulkGet(keys.slice(from, from + AT_A_TIME))) {
      if (!row) continue;
      const summary = summaryOf(row, nowMs);
      if (summary) jobs.push(summary);
      else unreadable += 1;
    }
  }
  const written = new Map<string, string[]>();
  for (const { vehicleId, updatedAt, binned } of jobs)
    if (!binned) {
      const all = written.get(vehicleId);
      if (all) all.push(updatedAt);
      else written.set(vehicleId, [updatedAt]);
    }
  for (const job of jobs) job.updatedAt = written.get(job.vehicleId)?.join() ?? job.updatedAt;
  const equals = new Map<string, number>();
  for (const { likeId, binned } of jobs)
    if (likeId !== null && !binned) equals.set(likeId, (equals.get(likeId) ?? 0) + 1);
  for (const job of jobs) job.equals = equals.get(job.id) ?? 0;
  return { jobs: jobs.toSorted((a, b) => b.changedMs - a.changedMs), unreadable };
}

function summaryOf({ id, job, updatedAt, deleted }: Partial<JobRow>, nowMs: number): JobSummary | null {
  const { name, model, year, systemVolts } = job?.vehicle ?? {};
  if (typeof id !== 'string' || typeof job?.title !== 'string' || typeof name !== 'string') return null;
  // One that is yet to come was written while the clock was wrong, and says nothing.
  const times = [updatedAt, job.createdAt].map((each) => Date.parse(String(each)));
  return {
    id,
    title: job.title,
    vehicleId: String(job.vehicle.id),
    vehicle: { name, model: model ?? '', year: year ?? 0, systemVolts: systemVolts ?? 12 },
    changedMs: times.find((each) => each <= nowMs + 60_000) ?? 0,
    updatedAt: String(updatedAt),
    binned: deleted === 1,
    waits: waitsOf(job),
    rechecks: (job.rechecks ?? []).filter(({ done }) => !done),
    likeId: job.like?.jobId ?? null,
    equals: 0,
  };
}
