import type { Evidence, WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { standing } from '../model/seen.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { watcherSeen } from './watcherSeen.ts';

/** What of each record was read: keys of answers are asked for at every render. */
const known = new WeakMap<
  readonly Evidence[],
  { circuits: Vehicle['circuits']; region: Vehicle['region']; read: WatcherTrial[] }
>();

/** What of a job's record its verdicts read; what was seen again says nothing more. */
export function evidenceRead({ vehicle, evidence }: Pick<Job, 'vehicle' | 'evidence'>): WatcherTrial[] {
  const { circuits, region } = vehicle;
  let kept = known.get(evidence);
  if (kept?.circuits !== circuits || kept.region !== region) {
    kept = { circuits, region, read: saidOnce(watcherSeen({ vehicle, evidence })) };
    known.set(evidence, kept);
  }
  return kept.read;
}

function saidOnce(seen: readonly WatcherTrial[]): WatcherTrial[] {
  const told = new Set<string>();
  return seen.filter(({ circuitId, result, on, supply, fitted }) => {
    const says = JSON.stringify([circuitId, result, on, supply, fitted]);
    const isNew = !told.has(says);
    told.add(says);
    return isNew;
  });
}

const tried = new WeakMap<readonly Evidence[], Evidence[]>();

/**
 * A job with what was tried on purpose alone, and not what was seen where a fault is looked for: what the search weighs
 * itself must not have changed what is expected.
 */
export function asTried<J extends Pick<Job, 'evidence'>>(job: J): J {
  const kept =
    tried.get(job.evidence) ?? standing(job).filter(({ kind }) => kind === 'trial' || kind === 'cause');
  tried.set(job.evidence, kept);
  return kept.length === job.evidence.length ? job : { ...job, evidence: kept };
}
