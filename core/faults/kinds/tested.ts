import { type FaultKindOf, SHOWS_NOTHING } from '../faultKind.ts';
import { isLed, outputsOfAKind } from '../leds.ts';
import { ON_CIRCUITS } from '../sites.ts';

/** Outputs that test their lamps in the dark, and LEDs that show it. */
export interface Tested {
  kind: 'tested';
  circuitIds: readonly string[];
}

export const tested: FaultKindOf<Tested> = {
  prior: 4,
  minutes: [1, 3],
  natures: ['with-leds'],
  of: (fitted) =>
    outputsOfAKind(fitted, ({ coldCheck }) => coldCheck !== undefined).map((circuitIds) => ({
      kind: 'tested',
      circuitIds,
    })),
  ...ON_CIRCUITS,
  atLamp: true,
  shows: (fault, { vehicle, fitment, resting }) => {
    const leds = resting ? tested.lampIds(fault, vehicle).filter((id) => isLed(fitment, id)) : [];
    return leds.length === 0
      ? SHOWS_NOTHING
      : { sure: [], maybe: [...new Set(leds)].map((id) => `${id} flickers` as const).toSorted() };
  },
};
