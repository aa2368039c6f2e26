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
  /** those of them that draw least, and most */
  least: readonly TurnCircuits[];
  most: readonly TurnCircuits[];
}

/** @throws UnknownReferenceError when the job names a bulb or LED that is not known */
export function variantOf(possibility: Possibility, shelf: Shelf, configuration: Configuration): Variant {
  const supposed = supposedFitments(fitmentOf(possibility.job, shelf, configuration)).map((each) => ({
    ...each,
    turns: possibility.bands.turnsWith(each.fitment),
  }));
  const turnsOf = (some: typeof supposed) => some.map(({ turns }) => turns);
  return {
    possibility,
    fitted: turnsOf(supposed),
    least: turnsOf(supposed.filter(({ least }) => least)),
    most: turnsOf(supposed.filter(({ most }) => most)),
  };
}
