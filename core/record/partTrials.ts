import type { Trial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { standing, trialsOf } from '../model/seen.ts';
import type { FlasherKind } from '../model/vehicle/flasher.ts';
import { modelName } from '../model/vehicle/lookUp.ts';
import { whenSeen } from '../model/whenSeen.ts';

/** A trial of a part on some job, as it is of use to whoever thinks of that part again. */
export interface PartTrial {
  jobId: string;
  /** the vehicle it was tried on */
  model: string;
  /** null where nobody had looked what flashes it */
  flasher: FlasherKind | null;
  trial: Trial;
  /** when it was, as far as its job's record lets one say, ms since 1970 */
  ms: number;
}

/**
 * Every trial of a part over some jobs, the newest first: with its LEDs alone, since what a cure did says nothing of the
 * part.
 *
 * @param nowMs the time it is, ms since 1970, see `whenSeen`
 */
export function partTrials(jobs: readonly Job[], partId: string, nowMs?: number): PartTrial[] {
  return jobs
    .flatMap((job) => {
      const when = whenSeen(standing(job), nowMs);
      return trialsOf(job)
        .filter(
          ({ from, fitted }) =>
            !from &&
            fitted.networks.length === 0 &&
            (fitted.vehicleCures?.length ?? 0) === 0 &&
            Object.values(fitted.lamps).includes(partId),
        )
        .map((trial) => ({
          jobId: job.id,
          model: modelName(job.vehicle),
          flasher:
            job.vehicle.facts?.flasherSeen || !job.vehicle.facts?.flashers ? job.vehicle.flasher.kind : null,
          trial,
          ms: when[standing(job).indexOf(trial)]?.ms ?? 0,
        }));
    })
    .toSorted((a, b) => b.ms - a.ms);
}

/** `fast on Quillon 75; normal on Tansy 50 and one more`: what a part was seen to do, alike results together. */
export function partTrialWords(trials: readonly PartTrial[]): string {
  const by = new Map<string, string[]>();
  for (const { trial, model } of trials) {
    const models = by.get(trial.result) ?? [];
    if (!models.includes(model)) models.push(model);
    by.set(trial.result, models);
  }
  return [...by]
    .map(
      ([result, [first = '', ...more]]) =>
        `${result} on ${first}${more.length > 0 ? ` and ${more.length} more` : ''}`,
    )
    .join('; ');
}
