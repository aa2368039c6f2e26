import { fuseById } from '../../model/vehicle/lookUp.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { fusesOf } from '../fuses.ts';
import { IN_FUSE } from '../sites.ts';

/** A fuse of another rating in its place, A. */
export interface FuseWrong {
  kind: 'fuse-wrong';
  fuseId: string;
  ratedAmps: number;
}

export const fuseWrong: FaultKindOf<FuseWrong> = {
  prior: 1,
  minutes: [1, 3],
  natures: [],
  of: ({ vehicle }) =>
    fusesOf(vehicle).map((fuseId) => {
      const ratedAmps = fuseById(vehicle, fuseId).ratedAmps / 3;
      return { kind: 'fuse-wrong', fuseId, ratedAmps };
    }),
  ...IN_FUSE,
  strike: ({ fuseId, ratedAmps }) => ({
    vehicle: (vehicle) => ({
      ...vehicle,
      fuses: vehicle.fuses.map((fuse) => (fuse.id === fuseId ? { ...fuse, ratedAmps } : fuse)),
    }),
  }),
};
