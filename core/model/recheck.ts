import { z } from 'zod';
import { Id, Line, Moment, Note } from './fields.ts';

/** What is looked at again, and when by custom: by dark, after two weeks, after six months, or as somebody says. */
export const RecheckKind = z.enum(['dark', 'two-weeks', 'six-months', 'own']);
export type RecheckKind = z.infer<typeof RecheckKind>;

/** A judgement that waits: brightness for darkness, durability and messages for weeks of driving. */
export const Recheck = z.strictObject({
  id: Id,
  kind: RecheckKind,
  /** what is looked at */
  what: Line,
  /** the day it is due */
  due: z.iso.date(),
  /** nothing while it is still to come */
  done: z.strictObject({ at: Moment, result: z.enum(['fine', 'came-back']), note: Note }).optional(),
});
export type Recheck = z.infer<typeof Recheck>;
