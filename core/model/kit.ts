import { z } from 'zod';
import { Fraction, Id, Line, Ohms, Watts } from './fields.ts';
import { CircuitKind } from './vehicle/circuit.ts';

const Year = z.int().min(1920).max(2100);

/** An answer of a kit sheet's question: what the sheet calls it, and what is read on the screen. */
export const KitAnswer = z.strictObject({ id: Id, text: Line });
export type KitAnswer = z.infer<typeof KitAnswer>;

/** What a kit sheet tells vehicles apart by. Every question has finitely many answers, so that a sheet can be checked whole. */
export const KitQuestion = z.discriminatedUnion('about', [
  z.strictObject({ id: Id, about: z.literal('year'), from: Year, to: Year }),
  z.strictObject({
    id: Id,
    /** what of the vehicle answers it; `own` is asked of whoever stands beside it */
    about: z.enum(['lamp', 'module', 'market', 'trim', 'own']),
    text: Line.min(1),
    answers: z.array(KitAnswer).min(2).max(12),
  }),
]);
export type KitQuestion = z.infer<typeof KitQuestion>;

/** A span of years, both ends in it. */
export const YearSpan = z.strictObject({ from: Year, to: Year });

/** Which vehicles: by question the answers that will do, or the years; a question left out may be answered in any way. */
export const KitCondition = z.record(Id, z.union([z.array(Id).min(1).max(12), YearSpan]));
export type KitCondition = z.infer<typeof KitCondition>;

/** Something in the box. */
export const KitItem = z.strictObject({
  id: Id,
  what: Line.min(1),
  count: z.int().min(1).max(200),
  /** a load resistor, as printed on it */
  resistor: z.strictObject({ ohms: Ohms, watts: Watts, tolerance: Fraction }).optional(),
  /** a whole lamp or an LED that has a record of its own on the shelf */
  partId: Id.optional(),
});
export type KitItem = z.infer<typeof KitItem>;

/** So many of an item, and what they are for. */
export const KitUse = z.strictObject({
  itemId: Id,
  count: z.int().min(1).max(200),
  /** of a resistor: one across every lamp of this function, at this end of the vehicle */
  across: z.strictObject({ does: CircuitKind, end: z.enum(['front', 'side', 'rear']).optional() }).optional(),
});
export type KitUse = z.infer<typeof KitUse>;

/** What one kind of vehicle gets out of the box. */
export const KitVariant = z.strictObject({
  id: Id,
  name: Line.min(1),
  when: KitCondition,
  uses: z.array(KitUse).max(40),
  /** plugs that are plugged in, and those that keep or get a cap */
  used: z.array(Id).max(24),
  capped: z.array(Id).max(24),
  /** wires joined for it */
  links: z.array(z.strictObject({ from: Line.min(1), to: Line.min(1) })).max(12),
  /** modules that move over from the old lamp */
  modules: z.array(Line.min(1)).max(12),
});
export type KitVariant = z.infer<typeof KitVariant>;

/** A kit sheet: what is in the box, and which vehicle gets what of it. */
export const KitSheet = z.strictObject({
  items: z.array(KitItem).max(60),
  plugs: z.array(z.strictObject({ id: Id, what: Line.min(1) })).max(24),
  questions: z.array(KitQuestion).max(24),
  /** vehicles that do not exist: no variant is needed for them */
  impossible: z.array(KitCondition).max(60),
  variants: z.array(KitVariant).max(300),
});
export type KitSheet = z.infer<typeof KitSheet>;
