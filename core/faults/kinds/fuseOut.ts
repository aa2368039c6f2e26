import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { fuseOut as out } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { circuitsOnFuse, fusesOf } from '../fuses.ts';

/** A fuse that is blown or out. */
export interface FuseOut {
  kind: 'fuse-out';
  fuseId: string;
}

export const fuseOut: FaultKindOf<FuseOut> = {
  prior: 6,
  minutes: [1, 3],
  natures: ['age'],
  of: ({ vehicle }) => fusesOf(vehicle).map((fuseId) => ({ kind: 'fuse-out', fuseId })),
  where: ({ fuseId }) => fuseId,
  lampIds: ({ fuseId }, vehicle) => circuitsOnFuse(vehicle, fuseId).flatMap(lampIdsOf),
  circuitIds: ({ fuseId }, vehicle) => circuitsOnFuse(vehicle, fuseId).map(({ id }) => id),
  place: ({ fuseId }) => `fuse:${fuseId}`,
  strike: ({ fuseId }) => out(fuseId),
};
