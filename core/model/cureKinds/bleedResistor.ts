import type { BleedResistorCure } from '../cures.ts';
import type { CureKind } from './cureKind.ts';

/** What holds a wire down that a control unit reads while its lamps are off. */
export const bleedResistor: CureKind<BleedResistorCure> = {
  stepId: 'cure-bleed',
  at: ({ circuitId }) => ({ on: 'circuit', circuitId }),
  parts: ({ piece }) => [{ holder: piece, kinds: ['resistor', 'harness'], what: null }],
  wired: ({ circuitId, piece }) => [{ kind: 'feed-to-earth', circuitId, ohms: piece.ohms }],
  // On the sensed wire, and to earth.
  work: { minutes: [10, 20], each: true, joints: 2, opens: null, needs: null },
};
