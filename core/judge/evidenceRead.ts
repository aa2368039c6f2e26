import type { Evidence, WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { watcherSeen } from './watcherSeen.ts';

/** What of a job's record its verdicts read; what was seen again says nothing more. */
export function evidenceRead(job: Pick<Job, 'vehicle' | 'evidence'>): WatcherTrial[] {
  const told = new Set<string>();
  return watcherSeen(job).filter(({ circuitId, result, on, supply, fitted }) => {
    const says = JSON.stringify([circuitId, result, on, supply, fitted]);
    const isNew = !told.has(says);
    told.add(says);
    return isNew;
  });
}

/**
 * A job with what was tried on purpose alone, and not what was seen where a fault is looked for: what the search weighs
 * itself must not have changed what is expected.
 */
export function asTried<J extends Pick<Job, 'evidence'>>(job: J): J {
  const tried = job.evidence.filter((each: Evidence) => each.kind === 'trial');
  return tried.length === job.evidence.length ? job : { ...job, evidence: tried };
}
