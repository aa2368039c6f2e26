import { cureKind } from '../../model/cureKinds/kinds.ts';
import type { VehicleCure } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { FitStep } from './fitStep.ts';

/** Steps of cures that are not a load on a lamp. */
export function vehicleCureSteps({ vehicleCures }: Pick<Job, 'vehicleCures'>): FitStep[] {
  return vehicleCures.map((cure) => ({
    ...stepId(cure),
    kind: 'cure',
    about: { of: 'cure', cure },
    lampId: null,
    openingId: null,
    minutes: cureKind(cure).work.minutes,
  }));
}

/** What a step is called in the job; steps of a kind are timed together. */
function stepId(cure: VehicleCure): { id: string; timedAs: string } {
  const { stepId: name, at } = cureKind(cure);
  const where = at(cure);
  if (where.on === 'turn') return { id: name, timedAs: name };
  return { id: `${name}-${where.on === 'lamp' ? where.lampId : where.circuitId}`, timedAs: name };
}
