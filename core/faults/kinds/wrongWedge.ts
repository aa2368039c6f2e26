import { baseRecord } from '../../catalogue/bases.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { withContent } from '../refitted.ts';
import { IN_SOCKET } from '../sites.ts';

/** An LED of the other socket wiring in a twin wedge. */
export interface WrongWedge {
  kind: 'wrong-wedge';
  lampId: string;
}

export const wrongWedge: FaultKindOf<WrongWedge> = {
  prior: 3,
  minutes: [2, 5],
  natures: ['with-leds', 'from-start'],
  of: ({ lamps }) =>
    lamps.flatMap(({ lamp, led }): WrongWedge[] =>
      led?.twin && baseRecord(lamp.base).ck ? [{ kind: 'wrong-wedge', lampId: lamp.id }] : [],
    ),
  ...IN_SOCKET,
  strike: ({ lampId }) => ({
    fitment: (fitment) =>
      withContent(fitment, lampId, (content) => {
        if (content.kind !== 'led') return content;
        const socketWiring = content.part.socketWiring === 'ck' ? 'standard' : 'ck';
        return { ...content, part: { ...content.part, socketWiring } };
      }),
  }),
};
