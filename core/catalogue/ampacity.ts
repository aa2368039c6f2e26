import { fromMemory } from '../formatting/source.ts';
import type { Source } from '../model/source.ts';

/** How much a wire carries for long. */
export interface Ampacity {
  areaMm2: number;
  amps: number;
}

/** Where the figures come from. */
export const AMPACITY_SOURCE: Source = fromMemory(
  'thin-wall road vehicle cable to ISO 6722-1, one wire in free air at 30 °C, as makers of such cable list it',
);

/** Continuous current of thin-wall vehicle cable, single in free air; in a loom less: the fuse must be smaller still. */
export const AMPACITIES: readonly Ampacity[] = [
  { areaMm2: 0.5, amps: 11 },
  { areaMm2: 0.75, amps: 14 },
  { areaMm2: 1, amps: 16.5 },
  { areaMm2: 1.5, amps: 21 },
  { areaMm2: 2.5, amps: 29 },
  { areaMm2: 4, amps: 39 },
  { areaMm2: 6, amps: 50 },
  { areaMm2: 10, amps: 70 },
];

/** What a wire of some size carries for long, A: that of the next smaller listed; none where it is thinner than all. */
export function ampacityOf(areaMm2: number): number {
  return AMPACITIES.findLast((each) => each.areaMm2 <= areaMm2 + 1e-9)?.amps ?? 0;
}
