import { z } from 'zod';
import { Id, Line } from '../fields.ts';
import { RelayFunction } from './flasher.ts';

/** Colour of a wire by IEC 60757, and of the stripe along it. */
export const ColourCode = z.enum(['BK', 'BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY', 'WH', 'PK', 'GNYE']);
export type ColourCode = z.infer<typeof ColourCode>;
export const WireColours = z.strictObject({ base: ColourCode, tracer: ColourCode.optional() });
export type WireColours = z.infer<typeof WireColours>;

/** What a cavity is for. */
export const CavityUse = z.discriminatedUnion('does', [
  /** fed by these circuits: more than one where they share a filament */
  z.strictObject({ does: z.literal('feed'), circuitIds: z.array(Id).min(1).max(4) }),
  z.strictObject({ does: z.literal('earth') }),
  /** no wire, or one that goes nowhere on this vehicle */
  z.strictObject({ does: z.literal('nothing') }),
  z.strictObject({ does: z.literal('relay'), terminal: RelayFunction }),
]);
export type CavityUse = z.infer<typeof CavityUse>;

/** How the use of a cavity was found out. Of these, colour proves nothing. */
export const ProofMethod = z.enum(['meter', 'probe', 'lead-out', 'colour']);
export type ProofMethod = z.infer<typeof ProofMethod>;

/** How a wire is joined to what is added, best first. */
export const Joint = z.enum(['crimp-shrink', 'solder-shrink', 'plug-in', 'tap']);
export type Joint = z.infer<typeof Joint>;

export const Cavity = z.strictObject({
  /** as it is moulded beside it, or counted */
  id: z
    .string()
    .min(1)
    .max(8)
    .regex(/^[A-Za-z0-9+./-]+$/, 'a cavity is letters and digits'),
  colour: WireColours.optional(),
  areaMm2: z.number().min(0.2).max(95).optional(),
  /** left out where nobody knows */
  use: CavityUse.optional(),
  /** left out where it is only supposed */
  provedBy: ProofMethod.optional(),
  joint: Joint.optional(),
});
export type Cavity = z.infer<typeof Cavity>;

/** The plug of a lamp or of several in one housing, or the socket of the relay. */
export const Connector = z.strictObject({
  id: Id,
  name: Line,
  at: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('lamps'), lampIds: z.array(Id).min(1).max(12) }),
    z.strictObject({ kind: z.literal('relay') }),
  ]),
  /** of the housing, by which it is told from another of its shape */
  housing: Line,
  cavities: z.array(Cavity).min(1).max(16),
});
export type Connector = z.infer<typeof Connector>;
