import type { LedPart } from '../../core/model/part.ts';

/** What most of the shelf's LEDs have in common. */
export const turnLed = {
  kind: 'led',
  colour: 'amber',
  atVolts: 12.8,
  supplyRange: [10, 16],
  polarity: 'either',
} as const satisfies Partial<LedPart>;

export const at24 = { atVolts: 25.6, supplyRange: [20, 32] } as const satisfies Partial<LedPart>;
