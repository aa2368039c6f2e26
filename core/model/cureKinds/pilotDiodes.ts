import type { PilotDiodesCure } from '../cures.ts';
import type { CureKind } from './cureKind.ts';

/** What keeps one side from lighting the other through a single pilot. */
export const pilotDiodes: CureKind<PilotDiodesCure> = {
  stepId: 'cure-pilot',
  at: () => ({ on: 'turn' }),
  takes: [{ use: 'diode', count: 2 }],
  wired: () => [{ kind: 'diodes-to-pilot' }],
  // A lead on each side's wire, and the pilot's other end to earth.
  work: { minutes: [15, 30], each: false, joints: 3, opens: 'dash', needs: 'the pilot’s wires' },
};
