import { z } from 'zod';
import { ResistorPiece } from '../cureParts.ts';
import { Id } from '../fields.ts';
import type { CureKind } from './cureKind.ts';

/** A resistor from a sensed wire to earth. */
export const BleedResistorCure = z.strictObject({
  kind: z.literal('bleed-resistor'),
  circuitId: Id,
  piece: ResistorPiece,
});

/** What holds a wire down that a control unit reads while its lamps are off. */
export const bleedResistor: CureKind<z.infer<typeof BleedResistorCure>> = {
  stepId: 'cure-bleed',
  at: ({ circuitId }) => ({ on: 'circuit', circuitId }),
  parts: ({ piece }) => [{ holder: piece, kinds: ['resistor', 'harness'], what: null }],
  wired: ({ circuitId, piece }) => [{ kind: 'feed-to-earth', circuitId, ohms: piece.ohms }],
  // On the sensed wire, and to earth.
  work: { minutes: [10, 20], each: false, joints: 2, opens: null, needs: null },
};
