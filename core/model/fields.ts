import { z } from 'zod';

/**
 * The building blocks every schema shares. Bounds are generous for real vehicles and tight enough
 * that a nonsense or hostile file is refused by name instead of poisoning a calculation.
 */
export const Id = z
  .string()
  .regex(
    /^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/,
    'an id is letters, digits, dot, dash or underscore, at most 64 characters',
  );

/** One line of text a person typed. */
export const Line = z.string().max(160);
/** A paragraph a person typed. */
export const Note = z.string().max(4000);

/** Moment in ISO 8601, UTC. */
export const Moment = z.iso.datetime();
/** Calendar date, `2026-11-25`, or empty when not yet known. */
export const DateOrEmpty = z.union([z.iso.date(), z.literal('')]);

export const Ohms = z.number().positive().max(1e6);
export const Amps = z.number().positive().max(200);
export const Volts = z.number().positive().max(60);
export const Watts = z.number().positive().max(1000);
export const Fraction = z.number().min(0).max(1);

/** A length of copper wire. Its resistance is computed, never stored. */
export const WireRun = z.strictObject({
  /** metres, one way */
  lengthM: z.number().min(0).max(60),
  /** cross-section of the conductor, mm² */
  areaMm2: z.number().min(0.2).max(95),
});
export type WireRun = z.infer<typeof WireRun>;

/** Where a figure comes from: every number on screen carries one of these words. */
export const Origin = z.enum(['rated', 'measured', 'computed', 'typical']);
export type Origin = z.infer<typeof Origin>;

/** Nominal system voltage of the vehicle. */
export const SystemVolts = z.union([z.literal(6), z.literal(12), z.literal(24)]);
export type SystemVolts = z.infer<typeof SystemVolts>;
