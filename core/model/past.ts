import { z } from 'zod';
import { Id, Line, Note } from './fields.ts';

/** What was done to a vehicle before, or hangs on it: it is met again when its panel is opened. */
export const PastKind = z.enum(['harness', 'equipment', 'repair', 'spare-plug', 'other']);
export type PastKind = z.infer<typeof PastKind>;

export const PastItem = z.strictObject({
  id: Id,
  kind: PastKind,
  /** the lamp it is near; null where it is elsewhere */
  lampId: Id.nullable(),
  text: Line,
});
export type PastItem = z.infer<typeof PastItem>;

/** Repairs a conversion turns up (common practice). */
export const RepairKind = z.enum([
  'descale-carrier',
  'replace-socket',
  'rebuild-bracket',
  'seal-wire',
  'other',
]);
export type RepairKind = z.infer<typeof RepairKind>;

/** A repair that is done with the conversion, behind a lamp's panel. */
export const Repair = z.strictObject({
  id: Id,
  kind: RepairKind,
  lampId: Id,
  /** what was found, or what is done where no kind says it */
  note: Note,
  /** a part it needs that is no bulb and no cure; nothing where left out */
  part: Line.optional(),
  /** the least and the most it takes, where that is not what is usual */
  minutes: z.tuple([z.number().min(0).max(600), z.number().min(0).max(600)]).optional(),
});
export type Repair = z.infer<typeof Repair>;

/** What this job left as it was on purpose, or what the owner wishes for another time. */
export const LaterItem = z.strictObject({
  id: Id,
  kind: z.enum(['left', 'wished']),
  text: Line,
});
export type LaterItem = z.infer<typeof LaterItem>;
