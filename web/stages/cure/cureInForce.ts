import type { CureOption } from '../../../core/cures/compare/option.ts';
import type { CureScope } from '../../../core/cures/compare/scope.ts';
import { withCure } from '../../../core/cures/compare/withCure.ts';
import type { Job } from '../../../core/model/job.ts';

/** Whether a job has just this cure for some of its circuits. */
export function isInForce(job: Job, { change }: CureOption, scope: CureScope): boolean {
  if (!change) return false;
  const wanted = withCure(job, change, scope);
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
  const standing = (cures: Job['cures']) =>
    Object.fromEntries(
      Object.entries(cures)
        .filter(([, cure]) => cure !== null)
        .toSorted(),
    );
  return (
    same(standing(wanted.cures), standing(job.cures)) &&
    same(sorted(wanted.vehicleCures), sorted(job.vehicleCures)) &&
    Object.entries(change.chosen ?? {}).every(([lampId, partId]) => job.chosen[lampId] === partId)
  );
}

function sorted(cures: Job['vehicleCures']): string[] {
  // What was noted of a setting does not make it another cure.
  return cures
    .map((cure) =>
      JSON.stringify(
        cure.kind === 'controller-setting' ? { kind: cure.kind, circuitId: cure.circuitId } : cure,
      ),
    )
    .toSorted();
}
