import type { Job } from '../../model/job.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { CureChange } from './option.ts';
import { type CureScope, cureIsFor, lampsIn, turnScope } from './scope.ts';

/** The lamps the turn circuits feed. */
export function turnLamps({ vehicle }: Job): Lamp[] {
  return lampsIn(vehicle, turnScope(vehicle));
}

/** The job with a cure of some circuits in place of whatever cure it has for them; its other circuits' cures stay. */
export function withCure(job: Job, change: CureChange, scope: CureScope = turnScope(job.vehicle)): Job {
  const circuits = new Set(scope.circuits.map((circuit) => circuit.id));
  const others = Object.fromEntries(Object.entries(job.cures).filter(([id]) => !circuits.has(id)));
  const isFor = cureIsFor(job.vehicle, scope);
  const kept = job.vehicleCures.filter((cure) => !isFor(cure));
  return {
    ...job,
    chosen: { ...job.chosen, ...change.chosen },
    cures: { ...others, ...change.cures },
    vehicleCures: [...kept, ...(change.vehicleCures ?? [])],
  };
}
