import { fuseOut as out } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { fusesOf } from '../fuses.ts';
import { IN_FUSE } from '../sites.ts';

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
  ...IN_FUSE,
  strike: ({ fuseId }) => out(fuseId),
};
