import type { Job } from '../../model/job.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuits } from '../../model/vehicle/vehicle.ts';
import type { CureChange } from './option.ts';

/** The lamps the turn circuits feed. */
export function turnLamps({ vehicle }: Job): Lamp[] {
  const ids = new Set(turnCircuits(vehicle).flatMap(lampIdsOf));
  return vehicle.lamps.filter((lamp) => ids.has(lamp.id));
}

/** The job with a cure of its turn lamps in place of whatever cure it has for them; its other circuits' cures stay. */
export function withCure(job: Job, change: CureChange): Job {
  const turns = new Set(turnCircuits(job.vehicle).map((circuit) => circuit.id));
  const turning = new Set(turnLamps(job).map((lamp) => lamp.id));
  const others = Object.fromEntries(Object.entries(job.cures).filter(([id]) => !turns.has(id)));
  const kept = job.vehicleCures.filter((cure) => {
    switch (cure.kind) {
      case 'flasher-relay':
      case 'pilot-diodes':
        return false;
      case 'decoder':
        return !turning.has(cure.lampId);
      default:
        return !turns.has(cure.circuitId);
    }
  });
  return {
    ...job,
    chosen: { ...job.chosen, ...change.chosen },
    cures: { ...others, ...change.cures },
    vehicleCures: [...kept, ...(change.vehicleCures ?? [])],
  };
}
