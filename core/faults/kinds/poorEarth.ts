import { ELEMENTS } from '../../model/vehicle/netlistNames.ts';
import { moreOhms } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { BAD_CONTACT, contactSizes } from '../loose.ts';

/** A lamp's own earth wire that resists, ohms more than it should have. */
export interface PoorEarth {
  kind: 'poor-earth';
  lampId: string;
  ohms: number;
}

export const poorEarth: FaultKindOf<PoorEarth> = {
  prior: 7,
  minutes: [2, 8],
  natures: ['contact', 'age', 'water'],
  of: ({ lamps, fitment }) =>
    lamps.map(({ lamp: { id: lampId } }) => {
      const ohms = contactSizes(fitment, lampId).typical;
      return { kind: 'poor-earth', lampId, ohms };
    }),
  ...BAD_CONTACT,
  size: {
    of: ({ lampId }, fitment) => contactSizes(fitment, lampId),
    as: (fault, ohms) => ({ ...fault, ohms }),
  },
  strike: ({ lampId, ohms }) => moreOhms([ELEMENTS.earthReturn(lampId)], ohms),
};
