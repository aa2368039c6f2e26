import { circuitById, lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { FaultKindOf } from '../faultKind.ts';

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
  where: ({ circuitIds }) => circuitIds.join(':'),
  lampIds: ({ circuitIds }, vehicle) => circuitIds.flatMap((id) => lampIdsOf(circuitById(vehicle, id))),
  circuitIds: ({ circuitIds }) => circuitIds,
};
