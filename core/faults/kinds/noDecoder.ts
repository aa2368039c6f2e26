import type { FaultKindOf } from '../faultKind.ts';
import { AT_LAMP } from '../sites.ts';

/** A decoder left out before an LED on a pulsed or tested feed. */
export interface NoDecoder {
  kind: 'no-decoder';
  lampId: string;
}

export const noDecoder: FaultKindOf<NoDecoder> = {
  prior: 2,
  minutes: [2, 6],
  natures: ['with-leds', 'from-start'],
  of: ({ fitment: { wired } }) =>
    wired.flatMap((each): NoDecoder[] =>
      each.kind === 'before-lamp' ? [{ kind: 'no-decoder', lampId: each.lampId }] : [],
    ),
  ...AT_LAMP,
  strike: ({ lampId }) => ({
    fitment: (fitment) => ({
      ...fitment,
      wired: fitment.wired.filter((each) => each.kind !== 'before-lamp' || each.lampId !== lampId),
    }),
  }),
};
