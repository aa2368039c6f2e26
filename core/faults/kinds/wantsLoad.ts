import type { FaultKindOf } from '../faultKind.ts';
import { ON_CIRCUITS } from '../sites.ts';

/**
 * Nothing is broken: as it is fitted, whoever watches these circuits wants more load, or another setting. No list of what may
 * break has it; how likely it is follows from the band its threshold lies in.
 */
export interface WantsLoad {
  kind: 'wants-load';
  circuitIds: readonly string[];
}

export const wantsLoad: FaultKindOf<WantsLoad> = {
  prior: 0,
  minutes: [2, 5],
  natures: ['with-leds', 'from-start'],
  of: () => [],
  ...ON_CIRCUITS,
};
