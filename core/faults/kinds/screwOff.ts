import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { FaultKindOf } from '../faultKind.ts';

/** The screw of an adjustable relay turned right off. */
export interface ScrewOff {
  kind: 'screw-off';
}

export const screwOff: FaultKindOf<ScrewOff> = {
  prior: 2,
  minutes: [2, 6],
  natures: ['relay'],
  of: ({ fitment: { flasher } }) =>
    flasher.kind === 'non-watching-relay' && flasher.adjuster ? [{ kind: 'screw-off' }] : [],
  where: () => '',
  lampIds: (_, vehicle) => turnCircuits(vehicle).flatMap(lampIdsOf),
  circuitIds: (_, vehicle) => turnCircuits(vehicle).map(({ id }) => id),
  place: () => 'relay',
  strike: () => ({
    fitment: (fitment) =>
      fitment.flasher.kind === 'non-watching-relay'
        ? { ...fitment, flasher: { ...fitment.flasher, position: 0 } }
        : fitment,
  }),
};
