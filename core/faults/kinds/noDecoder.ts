import type { FaultKindOf } from '../faultKind.ts';

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
  where: ({ lampId }) => lampId,
  lampIds: ({ lampId }) => [lampId],
  atLamp: true,
  strike: ({ lampId }) => ({
    fitment: (fitment) => ({
      ...fitment,
      cures: fitment.cures.filter((cure) => cure.kind !== 'decoder' || cure.lampId !== lampId),
    }),
  }),
};
