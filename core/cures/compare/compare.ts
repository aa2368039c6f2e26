import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import { turnCircuits } from '../../model/vehicle/vehicle.ts';
import { planResistors } from '../loadResistor/plan.ts';
import { type CureReport, tryCures } from './evaluate.ts';
import { turnOptions, withCure } from './options.ts';

/**
 * Every cure of the turn lamps tried on this vehicle.
 *
 * @param circuit the side whose resistors are sized; the other gets their mirror image
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function compareTurnCures(job: Job, shelf: Shelf, circuit: TurnCircuit): CureReport[] {
  const bare = withCure(job, {});
  const plan = planResistors(bare, shelf, circuit, turnCircuits(job.vehicle).length);
  return tryCures(bare, shelf, turnOptions(bare, shelf, plan));
}
