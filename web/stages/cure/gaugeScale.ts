/** Amps to pixels. When the fuse lies far beyond the loads, the line is broken before it and says so. */
export interface GaugeScale {
  x(amps: number): number;
  ticks: readonly number[];
  /** where the line is broken, px; null when it runs through to the fuse */
  breakAt: number | null;
  fuseX: number;
  narrow: boolean;
}

const FUSE_ROOM = 70;
/** Room for the sum behind the longest row: with its lower bound where there is space for that. */
const SUM_ROOM = { wide: 158, narrow: 62 } as const;
/** Narrower than this, px, and the gauge says less. */
const NARROW = 480;
const FAR = 1.4;

/**
 * @param from left end, px
 * @param to right end, px
 * @param largest the largest load to be shown, A
 * @param fuse rating, A
 */
export function gaugeScale(from: number, to: number, largest: number, fuse: number): GaugeScale {
  // The sum of the longest row is written behind it and needs its room before the fuse.
  const narrow = to - from < NARROW;
  const room = to - FUSE_ROOM - from;
  const reach = (largest * room) / Math.max(room / 2, room - SUM_ROOM[narrow ? 'narrow' : 'wide']);
  const broken = fuse > reach * FAR;
  const end = broken ? to - FUSE_ROOM : to - 24;
  const span = broken ? reach : Math.max(reach, fuse * 1.04);
  const x = (amps: number) => from + (Math.min(amps, span) / span) * (end - from);
  const step = [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10].find((size) => span / size <= (narrow ? 5 : 9)) ?? 20;
  const ticks = Array.from({ length: Math.floor(span / step) + 1 }, (_, index) =>
    Number((index * step).toFixed(2)),
  );
  return { x, ticks, breakAt: broken ? end + 14 : null, fuseX: broken ? to - 22 : x(fuse), narrow };
}
