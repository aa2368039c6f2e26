import type { FaultKind } from '../faults/kinds.ts';

/** What must be said beside a symptom: which side, lamp or circuit it is of. */
export type SymptomOf = 'vehicle' | 'side' | 'lamp' | 'circuit';

export interface Symptom {
  id: string;
  words: string;
  of: SymptomOf;
  /** what installers find behind it elsewhere, most likely first (common practice) */
  usual: readonly FaultKind[];
}

/** What owners and installers say, in their words (trade practice; the usual causes are common practice). */
export const SYMPTOMS: readonly Symptom[] = [
  {
    id: 'not-lit',
    words: 'A lamp does not light at all',
    of: 'lamp',
    usual: ['reversed', 'poor-contact', 'wrong-wedge', 'bulb-out', 'fuse-out'],
  },
  {
    id: 'fast-both',
    words: 'It flashes fast on both sides',
    of: 'vehicle',
    usual: ['screw-off', 'setting-lost'],
  },
  {
    id: 'fast-side',
    words: 'It flashes fast on one side',
    of: 'side',
    usual: ['bulb-out', 'tap-open', 'tap-on-other-feed'],
  },
  {
    id: 'fast-lights',
    words: 'It flashes fast only with the lights on',
    of: 'vehicle',
    usual: ['poor-earth', 'bad-earth', 'corroded-carrier'],
  },
  {
    id: 'stays-on',
    words: 'It flashes slowly or stays on',
    of: 'vehicle',
    usual: ['tap-open', 'relay-stuck'],
  },
  { id: 'never', words: 'It never flashes', of: 'vehicle', usual: ['relay-stuck', 'fuse-out'] },
  { id: 'all-four', words: 'All four flash', of: 'side', usual: ['sides-bridged'] },
  {
    id: 'message',
    words: 'A dash message, the lamp is fine',
    of: 'circuit',
    usual: ['setting-lost', 'tested'],
  },
  { id: 'flickers', words: 'It flickers while it is on', of: 'lamp', usual: ['pulsed', 'poor-earth'] },
  { id: 'glows', words: 'It glows while it is off', of: 'lamp', usual: ['leakage', 'tested'] },
  { id: 'swapped', words: 'Dim and bright are swapped', of: 'lamp', usual: ['half-turned'] },
  {
    id: 'wrong-lamp',
    words: 'This lamp lights with another switch',
    of: 'lamp',
    usual: ['exchanged', 'bad-earth'],
  },
  {
    id: 'fuse-blows',
    words: 'Its fuse blows',
    of: 'circuit',
    usual: ['wrong-wedge', 'led-shorted', 'resistor-value', 'short-to-earth'],
  },
  {
    id: 'odd-brake',
    words: 'Cruise, gear lever or gear changes are odd (automatic)',
    of: 'circuit',
    usual: ['sensed', 'filament-open'],
  },
  {
    id: 'charge',
    words: 'The battery light is odd, or it does not charge',
    of: 'circuit',
    usual: ['excite'],
  },
  { id: 'wet', words: 'The lamp is wet inside', of: 'lamp', usual: ['wet'] },
  { id: 'sweep', words: 'The sweep never finishes', of: 'lamp', usual: ['sweep'] },
];
