import { z } from 'zod';
import { Id, Line, Moment, Note } from './fields.ts';

/** What was measured, with its unit and how far it may be off. */
export const Quantity = <U extends string, V extends z.ZodNumber>(unit: U, value: V) =>
  z.strictObject({
    value,
    unit: z.literal(unit),
    /** half-width of the 95 % interval, in the same unit; null where nobody knows */
    uncertainty: z.number().min(0).max(1e8).nullable(),
  });

/**
 * How it came on record: looked at, told by whoever drives, counted in taps, a figure typed in, a meter, a fused probe; by the
 * clicks of a relay, by a camera, a pair of photographs, a scope or logger, or through a diagnostic adapter.
 */
export const Method = z.enum([
  'seen',
  'told',
  'tapped',
  'typed',
  'meter',
  'probe',
  'heard',
  'filmed',
  'photographed',
  'logged',
  'adapter',
]);
export type Method = z.infer<typeof Method>;

/**
 * What every record says of itself. A record is never changed: what corrects it names it, what takes it back is a record
 * too, so that two copies of a log can be laid together.
 */
export const record = {
  /** unique across devices */
  id: Id,
  at: Moment,
  /** of which vehicle it tells: all its jobs read it */
  vehicleId: Id,
  /** what was done at the vehicle in one go */
  visit: Id,
  /** the device it was told on, and a counter above that of all that was known there: clocks are set, a counter is not; null: before there were any */
  device: z.strictObject({ id: Id, count: z.int().min(1) }).nullable(),
  /** who told it */
  by: Line.optional(),
};

export const told = {
  ...record,
  method: Method,
  /** the record it stands in the place of */
  replaces: Id.optional(),
  note: Note.optional(),
};
