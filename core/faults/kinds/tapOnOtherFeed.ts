import { circuitsFeeding } from '../../model/vehicle/lookUp.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { networksOf, withNetwork } from '../refitted.ts';
import { otherInput } from '../rewired.ts';
import { AT_RESISTOR } from '../sites.ts';

/** A resistor across the other feed of a twin lamp. */
export interface TapOnOtherFeed {
  kind: 'tap-on-other-feed';
  lampId: string;
  /** which of the resistors at its lamp, from 0 */
  index: number;
}

export const tapOnOtherFeed: FaultKindOf<TapOnOtherFeed> = {
  prior: 5,
  minutes: [3, 8],
  natures: [],
  of: ({ vehicle, fitment }) =>
    networksOf(fitment).flatMap(({ lampId, index, network }): TapOnOtherFeed[] =>
      circuitsFeeding(vehicle, lampId, 'dim').length > 0 && !network.plugged
        ? [{ kind: 'tap-on-other-feed', lampId, index }]
        : [],
    ),
  ...AT_RESISTOR,
  strike: (fault) => ({
    fitment: (fitment) =>
      withNetwork(fitment, fault, (network) => ({ ...network, input: otherInput(network.input ?? 'main') })),
  }),
};
