import type { Configuration } from '../model/cures.ts';
import type { Shelf } from '../model/part.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { supposedFitments } from '../simulation/supposedFitments.ts';
import type { TurnCircuits } from '../simulation/turnCircuits.ts';
import type { Possibility } from './analysis.ts';

/** One way a job may be, with what is fitted simulated: once, or once a topology where an LED's inside is unknown. */
export interface Variant {
  possibility: Possibility;
  /** the likeliest first */
  fitted: readonly TurnCircuits[];
}

/** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
export function variantOf(possibility: Possibility, shelf: Shelf, configuration: Configuration): Variant {
  const fitments = supposedFitments(fitmentOf(possibility.job, shelf, configuration));
  const fitted = fitments.map((fitment) => possibility.bands.turnsWith(fitment));
  return { possibility, fitted };
}
