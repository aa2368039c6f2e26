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
  of: ({ fitment: { cures } }) =>
    cures.flatMap((cure): NoDecoder[] =>
      cure.kind === 'decoder' ? [{ kind: 'no-decoder', lampId: cure.lampId }] : [],
    ),
  ...AT_LAMP,
  strike: ({ lampId }) => ({
    fitment: (fitment) => ({
      ...fitment,
      cures: fitment.cures.filter((cure) => cure.kind !== 'decoder' || cure.lampId !== lampId),
    }),
  }),
};
