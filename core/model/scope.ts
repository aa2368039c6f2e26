import type { Job } from './job.ts';
import type { Circuit } from './vehicle/circuit.ts';
import type { Lamp } from './vehicle/lamp.ts';
import { lampIdsOf } from './vehicle/lookUp.ts';

/**
 * The lamps a job converts: those it says, and any that was given an LED since; all of the vehicle where it does not
 * say.
 */
export function scopeLamps(job: Job): Lamp[] {
  const said = job.scope && new Set(job.scope.lampIds);
  return job.vehicle.lamps.filter(
    (lamp) => !said || said.has(lamp.id) || Boolean(job.chosen[lamp.id]) || Boolean(lamp.added),
  );
}

/** The circuits a job may disturb: those that feed a lamp it converts, and those it cures. */
export function scopeCircuits(job: Job): Circuit[] {
  const lamps = new Set(scopeLamps(job).map((lamp) => lamp.id));
  return job.vehicle.circuits.filter(
    (circuit) => lampIdsOf(circuit).some((id) => lamps.has(id)) || hasCure(job, circuit.id),
  );
}

/** Whether a job has a cure for one circuit by itself. */
export function hasCure({ cures, vehicleCures }: Job, circuitId: string): boolean {
  return (
    Boolean(cures[circuitId]) ||
    vehicleCures.some((cure) => 'circuitId' in cure && cure.circuitId === circuitId)
  );
}

/** The lamps a job has to know of: those it converts, and those that share a circuit with one. */
export function jobLamps(job: Job): Lamp[] {
  const ids = new Set([...scopeLamps(job).map((lamp) => lamp.id), ...scopeCircuits(job).flatMap(lampIdsOf)]);
  // A pilot between the sides lights with whatever flashes.
  const { pilot } = job.vehicle;
  if (pilot && flashes(job)) ids.add(pilot.lampId);
  return job.vehicle.lamps.filter((lamp) => ids.has(lamp.id));
}

/** Whether a job touches anything that flashes: one that does not has no rate, no hazard and no relay to speak of. */
export function flashes(job: Job): boolean {
  return (
    scopeCircuits(job).some((circuit) => circuit.kind === 'turn') ||
    job.vehicleCures.some((cure) => cure.kind === 'flasher-relay' || cure.kind === 'pilot-diodes') ||
    scopeLamps(job).some((lamp) => lamp.id === job.vehicle.pilot?.lampId)
  );
}

/** The circuits a job converts that are on steadily. */
export function steadyScope(job: Job): Circuit[] {
  return scopeCircuits(job).filter((circuit) => circuit.kind !== 'turn');
}
