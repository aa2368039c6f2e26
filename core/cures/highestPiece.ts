import { seriesBetween } from '../catalogue/eSeries.ts';
import type { ResistorPiece } from '../model/cures.ts';
import type { Shelf } from '../model/part.ts';
import { resistorsOf } from '../simulation/fitment.ts';

/** Tolerance of a resistor that is yet to be bought (typical of those sold for lamps). */
export const BOUGHT_TOLERANCE = 0.05;

export interface PieceLimits {
  /** the most ohms that still do it, as true value */
  maxOhms: number;
  /** a stocked value this many times lower only wastes heat */
  lowestShare: number;
  /** what is bought where the shelf has none: its series, its least ohms, its sizes in watts */
  series: readonly number[];
  leastOhms: number;
  sizes: readonly number[];
  /** whether a value bears its heat at a printed size */
  bears(ohms: number, ratedWatts: number): boolean;
}

/**
 * The highest value that still does it over its tolerance, so that it warms least: off the shelf where there is one,
 * else the next lower of a series in the least size that bears its heat. Null where none does.
 */
export function highestPiece(shelf: Shelf, limits: PieceLimits): ResistorPiece | null {
  const { maxOhms, lowestShare, series, leastOhms, sizes, bears } = limits;
  const stocked = resistorsOf(shelf)
    .filter((part) => part.stock > 0 && part.ohms * (1 + part.tolerance) <= maxOhms)
    .filter((part) => part.ohms > maxOhms / lowestShare && bears(part.ohms, part.watts))
    .toSorted((a, b) => b.ohms - a.ohms)[0];
  if (stocked) {
    const { id, ohms, watts, tolerance } = stocked;
    return { partId: id, ohms, watts, tolerance };
  }
  const ohms = seriesBetween(series, leastOhms, maxOhms / (1 + BOUGHT_TOLERANCE)).at(-1);
  const watts = ohms === undefined ? undefined : sizes.find((size) => bears(ohms, size));
  return ohms === undefined || watts === undefined
    ? null
    : { partId: null, ohms, watts, tolerance: BOUGHT_TOLERANCE };
}

/**
 * What any piece there is may truly have, over its tolerance: of the shelf, and of what is bought where that has none; from
 * the lowest up, ohms.
 */
export function trueOhms(
  shelf: Shelf,
  { series, leastOhms }: Pick<PieceLimits, 'series' | 'leastOhms'>,
  mostOhms: number,
): number[] {
  const stocked = resistorsOf(shelf)
    .filter(({ stock }) => stock > 0)
    .map(({ ohms, tolerance }) => ohms * (1 + tolerance));
  const bought = seriesBetween(series, leastOhms, mostOhms / (1 + BOUGHT_TOLERANCE)).map(
    (ohms) => ohms * (1 + BOUGHT_TOLERANCE),
  );
  return [...new Set([...stocked, ...bought])].filter((ohms) => ohms <= mostOhms).toSorted((a, b) => a - b);
}

/** Small resistors that live in still air, off metal: their sizes, and the share of it they may carry (common practice). */
export const IN_AIR = { sizes: [2, 5, 10, 25], share: 0.5 } as const;
