import type { Job } from '../model/job.ts';
import { scopeLamps } from '../model/scope.ts';
import { functionsOf } from '../vehicle/lampWork.ts';

/** Lamps of one work, and how many of them a job converts. */
export interface ScopeGroup {
  /** `turn`, `stop, tail or position` */
  name: string;
  lampIds: readonly string[];
  within: 'all' | 'some' | 'none';
}

/** The lamps of a job's vehicle by what they do, each group with whether the job converts it. */
export function scopeGroups(job: Job): ScopeGroup[] {
  const mine = new Set(scopeLamps(job).map((lamp) => lamp.id));
  const groups = new Map<string, string[]>();
  for (const lamp of job.vehicle.lamps) {
    const name = functionsOf(job.vehicle, lamp.id) || 'no work';
    groups.set(name, [...(groups.get(name) ?? []), lamp.id]);
  }
  return [...groups].map(([name, lampIds]) => {
    const count = lampIds.filter((id) => mine.has(id)).length;
    return { name, lampIds, within: count === 0 ? 'none' : count === lampIds.length ? 'all' : 'some' };
  });
}

/**
 * Takes some lamps into a job or out of it; what was chosen for those that leave is open again.
 *
 * @param job changed in place
 */
export function setInScope(job: Job, lampIds: readonly string[], within: boolean): void {
  const now = scopeLamps(job).map((lamp) => lamp.id);
  const next = within
    ? [...now, ...lampIds.filter((id) => !now.includes(id))]
    : now.filter((id) => !lampIds.includes(id));
  job.scope = { aim: job.scope?.aim ?? null, lampIds: next };
  if (!within) for (const id of lampIds) if (job.chosen[id]) delete job.chosen[id];
}
