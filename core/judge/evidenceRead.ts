import type { Evidence } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { watcherTrials } from '../model/seen.ts';
import { saysShort } from './seenShort.ts';

/** What of a job's record its verdicts read: trials of the vehicle's own watcher, and whatever says too little load by itself. */
export function evidenceRead(job: Pick<Job, 'evidence'>): Evidence[] {
  const trials = new Set<Evidence>(watcherTrials(job));
  return job.evidence.filter(
    (each) =>
      trials.has(each) || ('circuitId' in each && each.circuitId !== null && saysShort(each, each.circuitId)),
  );
}
