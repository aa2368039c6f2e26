import equal from 'fast-deep-equal';
import { cureKind } from '../../model/cureKinds/kinds.ts';
import type { Job } from '../../model/job.ts';
import type { CureOption } from './option.ts';
import type { CureScope } from './scope.ts';
import { withCure } from './withCure.ts';

/** Whether a job has just this cure for some of its circuits. */
export function isInForce(job: Job, { change }: CureOption, scope: CureScope): boolean {
  if (!change) return false;
  const wanted = withCure(job, change, scope);
  return (
    equal(standing(wanted.cures), standing(job.cures)) &&
    equal(sorted(wanted.vehicleCures), sorted(job.vehicleCures)) &&
    Object.entries(change.chosen ?? {}).every(([lampId, partId]) => job.chosen[lampId] === partId)
  );
}

/** A circuit decided to need none has no cure either. */
function standing(cures: Job['cures']): Job['cures'] {
  return Object.fromEntries(Object.entries(cures).filter(([, cure]) => cure !== null));
}

function sorted(cures: Job['vehicleCures']): string[] {
  // What was noted of a setting does not make it another cure.
  return cures.map((cure) => JSON.stringify(cureKind(cure).bare?.(cure) ?? cure)).toSorted();
}
