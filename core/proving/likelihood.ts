import { type DeviationKey, deviationOf } from '../model/deviationKey.ts';
import type { Deviation } from '../model/evidence.ts';
import type { Shown } from './deviations.ts';
import type { CellTold, PlaceTold } from './told.ts';

/** How often somebody tells a cell or a place wrongly (assumed; one in ten). */
export const MISTOLD = 0.1;
/** What a cell that is told wrongly is told as: all as it should be so often, any one thing else so seldom. */
const SLIPS_TO_NOTHING = 0.3;
const SLIPS_TO_THIS = 0.01;
/** What nobody takes for something else: water, a blown fuse, a gear lever that sticks. */
const PLAIN: ReadonlySet<Deviation['what']> = new Set(['odd', 'blown', 'wet', 'flickers', 'unfinished']);
const FLASH: ReadonlySet<Deviation['what']> = new Set(['fast', 'slow', 'none']);
const isOf = (some: ReadonlySet<Deviation['what']>, key: DeviationKey) => {
  const found = deviationOf(key);
  return found !== null && some.has(found.what);
};
const PLAINLY_INVENTED = 0.001;
/** What nobody can have seen, told all the same; what would show, left out, each time up to so often. */
const INVENTED = 0.01;
const LEFT_OUT = 0.5;
const MOST_LEFT_OUT = 8;
const OVERLOOKED = 0.02;
/** Nobody overlooks how it flashes. */
const FLASH_OVERLOOKED = 0.002;
/** What may show, shows so often. */
const MAY = 0.5;

/** How well what a cell would show goes with what was told of it, a share from 0 to 1: told rightly or, one time in ten, not. */
export function cellLikelihood(shown: Shown, { seen }: Pick<CellTold, 'seen'>): number {
  const plain = seen.some((each) => isOf(PLAIN, each));
  const slip = seen.length === 0 ? SLIPS_TO_NOTHING : plain ? PLAINLY_INVENTED : SLIPS_TO_THIS;
  return (1 - MISTOLD) * toldRightly(shown, seen) + MISTOLD * slip;
}

function toldRightly({ sure, maybe }: Shown, seen: readonly DeviationKey[]): number {
  if (seen.length === 0) {
    if (sure.some((each) => isOf(FLASH, each))) return FLASH_OVERLOOKED;
    return sure.length > 0 ? OVERLOOKED : maybe.length > 0 ? MAY : 1;
  }
  let weight = 1;
  for (const each of seen)
    if (!sure.includes(each))
      weight *= maybe.includes(each) ? MAY : isOf(PLAIN, each) ? PLAINLY_INVENTED : INVENTED;
  return weight * LEFT_OUT ** Math.min(missedOf({ sure, maybe }, seen), MOST_LEFT_OUT);
}

function missedOf({ sure }: Shown, seen: readonly DeviationKey[]): number {
  return sure.filter((each) => !seen.includes(each)).length;
}

/** Whether what was told of a cell is all it may show, with nothing left out. */
export function fitsWholly(shown: Shown, told: Pick<CellTold, 'seen'>): boolean {
  return fits(shown, told) && missedOf(shown, told.seen) === 0;
}

/** Whether a cell may show all that was told of it, and nothing else for sure where nothing was told. */
export function fits({ sure, maybe }: Shown, { seen }: Pick<CellTold, 'seen'>): boolean {
  return seen.length === 0
    ? sure.length === 0
    : seen.every((each) => sure.includes(each) || maybe.includes(each));
}

/** How well a fault goes with what was found at a place. */
export function placeLikelihood(
  faultIds: readonly string[],
  ownPlaces: readonly string[],
  { placeId, found }: PlaceTold,
): number {
  const here = ownPlaces.includes(placeId);
  if (found !== null) return faultIds.includes(found) ? 1 - MISTOLD : here ? MISTOLD / 3 : MISTOLD / 20;
  return here ? MISTOLD : 1 - MISTOLD;
}
