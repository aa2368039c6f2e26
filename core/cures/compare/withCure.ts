import { cureKind } from '../../model/cureKinds/kinds.ts';
import type { Job } from '../../model/job.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { CureChange } from './option.ts';
import { type CureScope, lampsIn, turnScope } from './scope.ts';

/** The lamps the turn circuits feed. */
export function turnLamps({ vehicle }: Job): Lamp[] {
  return lampsIn(vehicle, turnScope(vehicle));
}

/** The job with a cure of some circuits in place of whatever cure it has for them; its other circuits' cures stay. */
export function withCure(job: Job, change: CureChange, scope: CureScope = turnScope(job.vehicle)): Job {
  const circuits = new Set(scope.circuits.map((circuit) => circuit.id));
  const lamps = new Set(lampsIn(job.vehicle, scope).map((lamp) => lamp.id));
  const others = Object.fromEntries(Object.entries(job.cures).filter(([id]) => !circuits.has(id)));
  const kept = job.vehicleCures.filter((cure) => {
    const at = cureKind(cure).at(cure);
    if (at.on === 'turn') return !scope.turning;
    return at.on === 'lamp' ? !lamps.has(at.lampId) : !circuits.has(at.circuitId);
  });
  return {
    ...job,
    chosen: { ...job.chosen, ...change.chosen },
    cures: { ...others, ...change.cures },
    vehicleCures: [...kept, ...(change.vehicleCures ?? [])],
  };
}
