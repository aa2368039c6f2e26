import type { Fuse } from '../../model/vehicle/vehicle.ts';

/** Cold resistance of a blade fuse by its rating, ohms (typical). */
const FUSE_OHMS: readonly (readonly [amps: number, ohms: number])[] = [
  [5, 0.015],
  [7.5, 0.011],
  [10, 0.007],
  [15, 0.0048],
  [20, 0.0033],
  [40, 0.002],
];

/** A blade fuse of a usual rating, which nobody has read, with the wire from the box (typical). */
export function bladeFuse(id: string, name: string, amps: number): Fuse {
  return {
    id,
    name: `${amps} A ${name}`,
    ratedAmps: amps,
    assumed: true,
    ohms: bladeOhms(amps),
    wire: { lengthM: 1.5, areaMm2: 1.5 },
  };
}

/**
 * Another rating on a fuse, its name with it.
 *
 * @param fuse changed in place
 */
export function rateFuse(fuse: Fuse, amps: number): void {
  fuse.name = fuse.name.replace(String(fuse.ratedAmps), String(amps));
  fuse.ratedAmps = amps;
}

/** Cold resistance of a blade fuse, ohms (typical). */
export function bladeOhms(amps: number): number {
  return FUSE_OHMS.find(([rating]) => rating >= amps)?.[1] ?? 0.002;
}
