import type { Part } from './part.ts';

/** Every kind of part; apart from the schemas, since who only looks something up needs no more. */
export const PART_KINDS = [
  'led',
  'whole-lamp',
  'resistor',
  'harness',
  'flasher',
  'decoder',
  'consumable',
  'kit',
] as const satisfies readonly Part['kind'][];
