import type { FaultKindOf } from '../faultKind.ts';
import { OF_TURNS } from '../sites.ts';

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
  ...OF_TURNS,
  place: () => 'relay',
  strike: () => ({
    fitment: (fitment) =>
      fitment.flasher.kind === 'non-watching-relay'
        ? { ...fitment, flasher: { ...fitment.flasher, position: 0 } }
        : fitment,
  }),
};
