import { z } from 'zod';
import { Line } from './fields.ts';

/** Where a fact comes from. */
export const Source = z.strictObject({
  /** a standard with its number, or the practice it is */
  name: Line,
  /** whether somebody compared it with the document itself; what was written from memory was not */
  verified: z.boolean(),
});
export type Source = z.infer<typeof Source>;
