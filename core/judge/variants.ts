import type { Configuration } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { supposedFitments } from '../simulation/supposedFitments.ts';
import { TurnCircuits } from '../simulation/turnCircuits.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import type { Possibility } from './analysis.ts';
import { electricsOf } from './asText.ts';

/** One way a job may be, with what is fitted simulated: once, or once a topology where an LED's inside is unknown. */
export interface Variant {
  possibility: Possibility;
  /** the likeliest first */
  fitted: readonly TurnCircuits[];
}

/** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
export function variantOf(possibility: Possibility, shelf: Shelf, configuration: Configuration): Variant {
  const { job, bands } = possibility;
  const { bearing } = bands.turns.simulation;
  const healthy = bands.remember('electrics', () => electricsOf(bands.turns.fitment));
  const fitted = supposedFitments(fitmentOf(job, shelf, configuration)).map((fitment) => {
    const electrics = electricsOf(fitment);
    // Good stock bulbs are what the bands were worked out of.
    const moments = electrics === healthy ? bands.turns.simulation.moments : bands.momentsOf(electrics);
    return new TurnCircuits(new VehicleSimulation(job.vehicle, fitment, [], bearing, moments));
  });
  return { possibility, fitted };
}
