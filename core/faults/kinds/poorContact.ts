import type { LampInput } from '../../model/vehicle/lamp.ts';
import { circuitsFeeding } from '../../model/vehicle/lookUp.ts';
import { ELEMENTS } from '../../model/vehicle/netlistNames.ts';
import { moreOhms } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { BAD_CONTACT, contactSizes } from '../loose.ts';

/** A socket or plug contact that resists, ohms more than it should have. */
export interface PoorContact {
  kind: 'poor-contact';
  lampId: string;
  input: LampInput;
  ohms: number;
}

export const poorContact: FaultKindOf<PoorContact> = {
  prior: 8,
  minutes: [2, 6],
  atPlug: true,
  natures: ['contact', 'age', 'water'],
  of: ({ lamps, fitment }) =>
    lamps.flatMap(({ lamp: { id: lampId }, inputs }) =>
      inputs.map((input): PoorContact => {
        const ohms = contactSizes(fitment, lampId).typical;
        return { kind: 'poor-contact', lampId, input, ohms };
      }),
    ),
  ...BAD_CONTACT,
  where: ({ lampId, input }) => `${lampId}:${input}`,
  size: {
    of: ({ lampId }, fitment) => contactSizes(fitment, lampId),
    as: (fault, ohms) => ({ ...fault, ohms }),
  },
  strike: ({ lampId, input, ohms }, vehicle) =>
    moreOhms(
      circuitsFeeding(vehicle, lampId, input).map((_, feeder) => ELEMENTS.lead(lampId, input, feeder)),
      ohms,
    ),
};
