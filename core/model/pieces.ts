import { z } from 'zod';
import { Id, Line, Moment } from './fields.ts';

const Moved = {
  id: Id,
  partId: Id,
  at: Moment,
  pieces: z.int().min(0).max(100_000),
  /** order or batch they came with */
  batch: Line.optional(),
};

/** What a job did with pieces of the shelf. It stands in the job, so that undoing the act gives them back. */
export const JobMovement = z.strictObject({
  ...Moved,
  kind: z.enum(['reserved', 'released', 'fitted', 'returned', 'scrapped']),
  /** the lamp or step they are at */
  place: Line.optional(),
  /** who did it */
  by: Line.optional(),
  /** the shelf they came from: a job that comes in from elsewhere takes nothing off this one */
  shelf: Id.optional(),
});
export type JobMovement = z.infer<typeof JobMovement>;

/** What was done with pieces of the shelf itself. Nothing of it is changed later: what was wrong is withdrawn. */
export const ShelfMovement = z.discriminatedUnion('kind', [
  z.strictObject({
    ...Moved,
    kind: z.enum(['bought', 'counted', 'sent-back', 'scrapped']),
    note: Line.optional(),
  }),
  z.strictObject({ ...Moved, kind: z.literal('withdrawn'), of: Id }),
]);
export type ShelfMovement = z.infer<typeof ShelfMovement>;
