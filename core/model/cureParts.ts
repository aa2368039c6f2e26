import { z } from 'zod';
import { Fraction, Id, Ohms, Watts } from './fields.ts';

/** One resistor as fitted: a shelf part by id, or a value still to be ordered. */
export const ResistorPiece = z.strictObject({
  partId: Id.nullable(),
  ohms: Ohms,
  watts: Watts,
  tolerance: Fraction,
});
export type ResistorPiece = z.infer<typeof ResistorPiece>;
