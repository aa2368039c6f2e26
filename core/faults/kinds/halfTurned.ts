import type { FaultKindOf } from '../faultKind.ts';
import { otherInput, withFeeds } from '../rewired.ts';
import { IN_SOCKET } from '../sites.ts';

/** A twin bulb half a turn out, or the two wires of its socket exchanged: bright where dim is meant. */
export interface HalfTurned {
  kind: 'half-turned';
  lampId: string;
}

export const halfTurned: FaultKindOf<HalfTurned> = {
  prior: 6,
  minutes: [1, 3],
  natures: ['with-leds', 'from-start'],
  of: ({ lamps }) =>
    lamps.flatMap(({ lamp, inputs }): HalfTurned[] =>
      inputs.length > 1 ? [{ kind: 'half-turned', lampId: lamp.id }] : [],
    ),
  ...IN_SOCKET,
  strike: ({ lampId }) => ({
    vehicle: (vehicle) =>
      withFeeds(vehicle, (feed) =>
        feed.lampId === lampId ? { ...feed, input: otherInput(feed.input) } : feed,
      ),
  }),
};
