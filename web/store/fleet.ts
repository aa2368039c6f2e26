import { hasBegun, likeJob, takeOverPlan } from '../../core/fleet/likeJob.ts';
import type { FleetEntry } from '../../core/fleet/readFleet.ts';
import { db as appDatabase, type JobRow, rowOf, type VumbleDatabase } from './db.ts';
import { editJob, JobGoneError } from './edits.ts';

/** A job and those begun as its equals. */
export interface FleetRows {
  first: JobRow;
  others: JobRow[];
}

/** The fleet of a job; null where it is no longer here. Those in the bin are left out. */
export async function fleetOf(jobId: string, db: VumbleDatabase = appDatabase): Promise<FleetRows | null> {
  const first = await db.jobs.get(jobId);
  if (!first) return null;
  const rows = await db.jobs.where('deleted').equals(0).toArray();
  const others = rows.filter(({ job }) => job.like?.jobId === jobId);
  return { first, others: others.toSorted((a, b) => byNumber(a, b)) };
}

const collator = new Intl.Collator(undefined, { numeric: true });

function byNumber(a: JobRow, b: JobRow): number {
  return collator.compare(a.job.vehicle.fleetNumber ?? a.job.title, b.job.vehicle.fleetNumber ?? b.job.title);
}

/**
 * Begins a job on each of several vehicles like one that is on record.
 *
 * @returns what takes it back: those nobody has touched are gone, the others are in the bin
 * @throws JobGoneError where the first is gone
 */
export async function beginEquals(
  jobId: string,
  entries: readonly FleetEntry[],
  db: VumbleDatabase = appDatabase,
): Promise<() => Promise<void>> {
  const ids: string[] = [];
  await db.transaction('rw', db.jobs, async () => {
    const first = await db.jobs.get(jobId);
    if (!first) throw new JobGoneError();
    const at = new Date().toISOString();
    for (const { number, note } of entries) {
      const own = crypto.randomUUID();
      const identity = {
        id: `job-${own}`,
        vehicleId: `vehicle-${own}`,
        fleetNumber: number,
        at,
        taken: first.updatedAt,
      };
      const job = likeJob(first.job, identity);
      ids.push(job.id);
      await db.jobs.add(rowOf(note ? { ...job, handOver: { ...job.handOver, note } } : job, at));
    }
  });
  return () =>
    db.transaction('rw', db.jobs, async () => {
      for (const id of ids) {
        const row = await db.jobs.get(id);
        if (row?.rev) await db.jobs.update(id, { deleted: 1 });
        else await db.jobs.delete(id);
      }
    });
}

/** The equals that have not begun and were begun before the first was last changed: its change is offered to them. */
export function offered({ first, others }: FleetRows): JobRow[] {
  return others.filter(
    ({ job }) => !hasBegun(job) && job.like !== undefined && job.like.taken < first.updatedAt,
  );
}

/** Gives the change of the first to those that have not begun. Each can be undone on its own job. */
export async function offerChange(fleet: FleetRows, db: VumbleDatabase = appDatabase): Promise<number> {
  const { first } = fleet;
  const waiting = offered(fleet);
  for (const { id } of waiting)
    await editJob(
      id,
      `Take over the change of ${first.job.title}`.slice(0, 160),
      (draft) => {
        takeOverPlan(draft, first.job, first.updatedAt);
      },
      {},
      db,
    );
  return waiting.length;
}
