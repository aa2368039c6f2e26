import { AMPACITIES, ampacityOf } from '../catalogue/ampacity.ts';
import { COPPER_OHM_MM2_PER_M } from '../circuit/wire.ts';
import { bladeFor, FUSE_CONTINUOUS_SHARE } from '../model/vehicle/fuseRating.ts';

/** Share of the supply that a lamp's feed may lose on its way (common practice). */
export const MOST_DROP = 0.03;

/** What a new lamp's wire is for. */
export interface FeedQuestion {
  /** what the lamp draws, A */
  amps: number;
  /** from the feed to the lamp, one way, m */
  lengthM: number;
  /** nominal volts of the vehicle */
  systemVolts: number;
  /** the fuse of the feed it hangs on, A; null where a relay gives it a fuse of its own */
  fuseAmps: number | null;
}

/** Which wire and which fuse. */
export interface NewFeed {
  /** of its own, or that of the feed: it is never raised, A */
  fuseAmps: number;
  areaMm2: number;
  /** what that wire carries for long, A: more than its fuse */
  carriesAmps: number;
  /** lost on the way there, V; the way back is body metal */
  dropVolts: number;
  /** what decided the size */
  decidedBy: 'fuse' | 'drop';
  /** no listed wire is thick enough */
  beyond: boolean;
}

/**
 * The thinnest wire for a new lamp that its fuse protects and that does not dim it: it carries more than the fuse lets
 * through for long, and loses no more than 3 % of the supply (copper at 20 °C). A fuse of its own is the smallest sold that
 * carries the lamp at 70 %.
 *
 * @throws RangeError for a current or length that is none
 */
export function newFeed({ amps, lengthM, systemVolts, fuseAmps }: FeedQuestion): NewFeed {
  if (!(amps > 0) || !(lengthM > 0))
    throw new RangeError('A new lamp draws a current over a length of wire.');
  const fuse = fuseAmps ?? bladeFor(amps / FUSE_CONTINUOUS_SHARE);
  const drop = (areaMm2: number) => (amps * lengthM * COPPER_OHM_MM2_PER_M) / areaMm2;
  const protectedBy = AMPACITIES.filter((each) => each.amps >= fuse);
  const wire = protectedBy.find(({ areaMm2 }) => drop(areaMm2) <= MOST_DROP * systemVolts);
  const thickest = AMPACITIES[AMPACITIES.length - 1]?.areaMm2 ?? 10;
  const areaMm2 = wire?.areaMm2 ?? thickest;
  return {
    fuseAmps: fuse,
    areaMm2,
    carriesAmps: ampacityOf(areaMm2),
    dropVolts: drop(areaMm2),
    decidedBy: areaMm2 === protectedBy[0]?.areaMm2 ? 'fuse' : 'drop',
    beyond: wire === undefined,
  };
}
