import type { FaultKindOf } from '../faultKind.ts';
import { withContent } from '../refitted.ts';
import { IN_SOCKET } from '../sites.ts';

/** A one-way LED put in the wrong way round. */
export interface Reversed {
  kind: 'reversed';
  lampId: string;
}

export const reversed: FaultKindOf<Reversed> = {
  prior: 14,
  minutes: [1, 3],
  natures: ['with-leds', 'from-start'],
  of: ({ lamps }) =>
    lamps.flatMap(({ lamp, led }): Reversed[] =>
      led?.polarity === 'one-way' && !led.twin ? [{ kind: 'reversed', lampId: lamp.id }] : [],
    ),
  ...IN_SOCKET,
  strike: ({ lampId }) => ({
    fitment: (fitment) =>
      withContent(fitment, lampId, (content) =>
        content.kind === 'led' ? { ...content, reversed: true } : content,
      ),
  }),
};
