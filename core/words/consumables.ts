import type { ConsumableUse } from '../model/part.ts';

/** What is used up, by what it is for: the name where the shelf has none of it, and what is counted. */
export const CONSUMABLES: Record<ConsumableUse, { name: string; counted: 'pieces' | 'metres' }> = {
  'feed-joint': { name: 'Crimp joints with glue-lined shrink', counted: 'pieces' },
  'earth-ring': { name: 'Earth rings', counted: 'pieces' },
  'mounting-screw': { name: 'Self-tapping screws with washer', counted: 'pieces' },
  'edge-paint': { name: 'Zinc primer for drilled edges', counted: 'pieces' },
  diode: { name: 'Rectifier diodes 3 A', counted: 'pieces' },
  shrink: { name: 'Glue-lined shrink sleeve', counted: 'pieces' },
  'contact-grease': { name: 'Contact grease', counted: 'pieces' },
  tape: { name: 'Loom tape', counted: 'pieces' },
  tie: { name: 'Cable ties', counted: 'pieces' },
  'dummy-cap': { name: 'Dummy caps for open plugs', counted: 'pieces' },
  cleaner: { name: 'Contact and surface cleaner', counted: 'pieces' },
  'lens-glue': { name: 'Glue for a cluster lens', counted: 'pieces' },
  label: { name: 'Labels', counted: 'pieces' },
  fuse: { name: 'Fuse with holder', counted: 'pieces' },
  wire: { name: 'Wire for a new feed', counted: 'metres' },
  grommet: { name: 'Grommet for a drilled hole', counted: 'pieces' },
};

/** What steps use something for: `8 for joining resistors`. */
export const WANTED_BY: Record<string, string> = {
  open: 'spare plugs',
  swap: 'stock bulbs put away, contacts',
  renew: 'stock bulbs put away, contacts',
  repair: 'repairs',
  whole: 'whole lamps',
  mount: 'screwing down resistors',
  tap: 'feed and earth leads of the resistors',
  harness: 'screwing down harness resistors',
  cure: 'the other cures',
  kit: 'links of the kit',
  add: 'added lamps',
  close: 'closing a cluster',
};
