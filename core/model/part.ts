import { z } from 'zod';
import { BaseId } from './bulb.ts';
import { Fraction, Id, Line, Ohms, Volts, Watts } from './fields.ts';

const ShelfEntry = {
  id: Id,
  /** the code printed on the packet */
  code: Line,
  name: Line,
  /** one piece, in the shop's currency */
  price: z.number().min(0).max(100000),
  /** pieces on the shelf */
  stock: z.int().min(0).max(100000),
};

/** What stands between the feed and the LED string. */
export const Ballast = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('series-resistor'), forwardVolts: Volts }),
  z.strictObject({ kind: z.literal('constant-current'), forwardVolts: Volts }),
  z.strictObject({ kind: z.literal('converter'), startVolts: Volts }),
]);
export type Ballast = z.infer<typeof Ballast>;

export const LedPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('led'),
  /** sockets it goes into */
  bases: z.array(BaseId).min(1).max(6),
  colour: z.enum(['amber', 'red', 'white', 'warm']),
  /** what the seller prints: watts at volts */
  watts: Watts,
  atVolts: Volts,
  supplyRange: z.tuple([Volts, Volts]),
  polarity: z.enum(['either', 'one-way']),
  ballast: Ballast,
  /** resistor inside the bulb across its input, if the seller built one in */
  builtInLoadOhms: Ohms.optional(),
  lumens: z.number().positive().max(20000),
  lengthMm: z.number().positive().max(200),
  diameterMm: z.number().positive().max(100),
});
export type LedPart = z.infer<typeof LedPart>;

export const ResistorPart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('resistor'),
  ohms: Ohms,
  /** printed watts: true only on a metal heat sink */
  watts: Watts,
  tolerance: Fraction,
});
export type ResistorPart = z.infer<typeof ResistorPart>;

export const ConsumablePart = z.strictObject({
  ...ShelfEntry,
  kind: z.literal('consumable'),
  use: z.enum(['feed-joint', 'earth-ring', 'mounting-screw', 'edge-paint']),
});
export type ConsumablePart = z.infer<typeof ConsumablePart>;

export const Part = z.discriminatedUnion('kind', [LedPart, ResistorPart, ConsumablePart]);
export type Part = z.infer<typeof Part>;

export type Shelf = readonly Part[];
