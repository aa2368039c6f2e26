import { z } from 'zod';
import { ResistorNetwork } from './cures.ts';
import { Quantity, told } from './evidenceRecord.ts';
import { Id, Line, Moment, Volts } from './fields.ts';

/** Before or after the work. */
export const BeforeAfter = z.enum(['before', 'after']);
export type BeforeAfter = z.infer<typeof BeforeAfter>;

/** Light at one spot, as a lux meter showed it. */
export const LightReading = z.strictObject({
  ...told,
  kind: z.literal('light'),
  /** the lamp it is of; null of a room that several light */
  lampId: Id.nullable(),
  /** where the meter was: readings at one spot are compared */
  spot: Line,
  when: BeforeAfter,
  /** shelf id of the LED that was in, null its filament bulb; left out of a room */
  partId: Id.nullable().optional(),
  /** as it was read, the surroundings' light in it */
  quantity: Quantity('lx', z.number().min(0).max(1e6)),
  /** with the lamp off, at the same spot; null where nobody read it */
  ambientLux: z.number().min(0).max(1e6).nullable(),
  /** from the lamp's lens to the meter */
  metres: z.number().min(0.01).max(100).nullable(),
  /** across what shines */
  lampMillimetres: z.number().min(1).max(2000).nullable(),
});
export type LightReading = z.infer<typeof LightReading>;

/** How much brighter after than before, by two photographs with the exposure locked. */
export const LightRatio = z.strictObject({
  ...told,
  kind: z.literal('light-ratio'),
  lampId: Id,
  spot: Line,
  quantity: Quantity('×', z.number().min(0).max(1e4)),
});
export type LightRatio = z.infer<typeof LightRatio>;

/** How hot something was, measured. */
export const HeatReading = z.strictObject({
  ...told,
  kind: z.literal('heat'),
  lampId: Id,
  what: z.enum(['resistor', 'housing']),
  /** what was on while it warmed: a circuit */
  circuitId: Id,
  /** since it was switched on */
  seconds: z.number().min(0).max(86_400),
  quantity: Quantity('°C', z.number().min(-60).max(400)),
  airCelsius: z.number().min(-60).max(80),
  /** of the supply meanwhile; null where nobody read them */
  volts: Volts.nullable(),
  /** of a resistor what was fitted then: another is not compared with it */
  network: ResistorNetwork.optional(),
});
export type HeatReading = z.infer<typeof HeatReading>;

/** One step of changing what a controller takes a lamp for. Together they are the trail back. */
export const SettingStep = z.strictObject({
  ...told,
  kind: z.literal('setting'),
  circuitId: Id,
  step: z.enum(['read', 'written', 'key-cycled', 'read-back', 'codes-cleared', 'put-back']),
  /** as it was read or written; nothing of a key or of codes */
  value: z.enum(['led', 'filament', 'other']).optional(),
  /** the tool's own words for it, or the codes */
  words: Line.optional(),
});
export type SettingStep = z.infer<typeof SettingStep>;

/** A part that came back, or what it did when it was looked at again. */
export const CameBack = z.strictObject({
  ...told,
  kind: z.literal('came-back'),
  lampId: Id.nullable(),
  partId: Id.nullable(),
  /** its code, as it was then */
  part: Line,
  /** when it went in; null where nobody knows */
  fittedAt: Moment.nullable(),
  words: Line,
});
export type CameBack = z.infer<typeof CameBack>;
