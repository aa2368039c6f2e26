import type { Clue } from '../model/clues.ts';
import type { FaultKind } from '../simulation/fault.ts';
import type { PossibleFault } from './library.ts';

export const CLUE_WORDS: Record<Clue, string> = {
  wiggle: 'Wiggle it and it lights',
  'since-relay': 'Since the relay was changed',
  'since-leds': 'Since the LEDs went in',
  'came-later': 'It was fine at first, and came later',
  'when-wet': 'Only when it is wet',
};

const CONTACTS: readonly FaultKind[] = [
  'bulb-out',
  'poor-contact',
  'poor-earth',
  'corroded-carrier',
  'tap-open',
];
const FITTED_WRONG: readonly FaultKind[] = [
  'reversed',
  'half-turned',
  'wrong-wedge',
  'exchanged',
  'setting-lost',
  'no-decoder',
];
const AGES: readonly FaultKind[] = [
  'bulb-out',
  'poor-contact',
  'poor-earth',
  'bad-earth',
  'corroded-carrier',
  'tap-open',
  'filament-open',
  'led-shorted',
  'short-to-earth',
  'fuse-out',
];
const WATER: readonly FaultKind[] = [
  'poor-contact',
  'poor-earth',
  'bad-earth',
  'corroded-carrier',
  'leakage',
];

/**
 * How much likelier a clue makes a fault, against the others (common practice: the order matters, not the figure).
 *
 * @param lampId the lamp it was told of, where it was told of one
 */
export function clueFactor(clue: Clue, { fault, id }: PossibleFault, lampId: string | null): number {
  const kind = fault?.kind;
  const among = (kinds: readonly FaultKind[]) => kind !== undefined && kinds.includes(kind);
  switch (clue) {
    case 'wiggle': {
      const here =
        lampId === null ||
        (fault !== null &&
          (('lampId' in fault && fault.lampId === lampId) ||
            ('lampIds' in fault && fault.lampIds.includes(lampId))));
      return among(CONTACTS) ? (here ? 5 : 0.5) : 0.25;
    }
    case 'since-relay':
      return kind === 'relay-stuck' || kind === 'screw-off' ? 6 : 0.6;
    case 'since-leds':
      return among(FITTED_WRONG) || (fault === null && !id.startsWith('wet:')) ? 2.5 : 0.7;
    case 'came-later':
      return among(FITTED_WRONG) || kind === 'relay-stuck' ? 0.15 : among(AGES) ? 2 : 1;
    case 'when-wet':
      return among(WATER) || id.startsWith('wet:') ? 3 : 0.5;
  }
}
