import type { Prior } from '../judge/priors.ts';
import type { Job } from '../model/job.ts';
import { mark, type Teller } from './tell.ts';

/**
 * Takes findings of other vehicles over as priors of this one, each with where it was found: they narrow its bands from now
 * on, and are taken back like anything that was told.
 *
 * @param job changed in place
 * @param signedBy who takes it over, a signature for each
 */
export function takePriors(
  job: Pick<Job, 'evidence' | 'vehicle'>,
  rows: readonly Prior[],
  signedBy: readonly Teller[],
): void {
  rows.forEach(({ trial, foundIn }, index) => {
    const signature = signedBy[index];
    // It is the same record still: one that was taken back stands again.
    if (signature && job.evidence.some(({ id }) => id === trial.id))
      job.evidence.push(mark(job, trial.id, true, signature));
    else job.evidence.push({ ...trial, from: { job: foundIn, at: trial.at } });
  });
}
