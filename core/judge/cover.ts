import type { PointVerdict } from './verdict.ts';

// Apart from who judges, so that who only says what was judged does not load it.
/** How much of what its band asks for a point has, 1 where it has just enough: a share. */
export function coverOf({ amps, band }: PointVerdict): number {
  return band.highAmps > 0 ? amps.low / band.highAmps : Number.MAX_VALUE;
}
