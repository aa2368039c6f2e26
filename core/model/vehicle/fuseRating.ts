import type { Fuse } from './vehicle.ts';

/** Blade fuses as they are sold, A (ISO 8820, from memory). */
const BLADES = [2, 3, 5, 7.5, 10, 15, 20, 25, 30, 35, 40, 50, 60] as const;

/**
 * Share of its rating a blade fuse may carry for as long as a hazard flasher may run. Fuse makers ask
 * for 70 to 75 % at room temperature (common practice, after ISO 8820; from memory); the lower is used.
 */
export const FUSE_CONTINUOUS_SHARE = 0.7;

/** Between which ratings a fuse lies, A: the printed one, or where nobody has read it the next smaller and greater. */
export interface FuseRating {
  least: number;
  most: number;
}

/** What a fuse may be rated, as far as somebody has read it. */
export function fuseRating({ ratedAmps, assumed }: Pick<Fuse, 'ratedAmps' | 'assumed'>): FuseRating {
  if (!assumed) return { least: ratedAmps, most: ratedAmps };
  return {
    least: BLADES.findLast((each) => each < ratedAmps) ?? ratedAmps,
    most: BLADES.find((each) => each > ratedAmps) ?? ratedAmps,
  };
}

/** The smallest fuse that is sold for so much, A. */
export function bladeFor(amps: number): number {
  return BLADES.find((each) => each >= amps) ?? BLADES[BLADES.length - 1] ?? amps;
}
