import type { DecoderCure } from '../cures.ts';
import type { CureKind } from './cureKind.ts';

/** What smooths an output's pulses, or loads it, at one lamp. */
export const decoder: CureKind<DecoderCure> = {
  stepId: 'cure-decoder',
  at: ({ lampId }) => ({ on: 'lamp', lampId }),
  parts: (cure) => [{ holder: cure, kinds: ['decoder'], what: 'Decoder' }],
  wired: ({ lampId }, part) => (part?.kind === 'decoder' ? [{ kind: 'before-lamp', lampId, part }] : []),
  work: { minutes: [4, 8], each: true, joints: 0, opens: null, needs: 'room behind the lamps' },
};
