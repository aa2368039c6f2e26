import type { BaseId } from '../model/bulb.ts';
import { SOURCES } from './sources.ts';

export interface BaseRecord {
  id: BaseId;
  name: string;
  /** what an installer sees and feels */
  recognise: string;
  /** how it comes out of its holder; common practice */
  release: string;
  /** a bulb that goes in only one way cannot be turned round when an LED stays dark */
  reversible: boolean;
  source: string;
}

const twist = 'Push in, turn 30 to 90° anticlockwise, draw out.';
const pull = 'Draw straight out of the holder.';

export const BASES: readonly BaseRecord[] = [
  {
    id: 'BA15s',
    name: 'Bayonet 15 mm, single contact',
    recognise: 'Two pins opposite each other at one height, one contact underneath.',
    release: twist,
    reversible: false,
    source: SOURCES.iec60061,
  },
  {
    id: 'BAU15s',
    name: 'Bayonet 15 mm, pins at 150°',
    recognise: 'Two pins 150° apart at one height, one contact; keeps clear glass out of an amber lamp.',
    release: twist,
    reversible: false,
    source: SOURCES.iec60061,
  },
  {
    id: 'BAY15d',
    name: 'Bayonet 15 mm, offset pins, two contacts',
    recognise: 'Two pins opposite at different heights, two contacts; goes in one way only.',
    release: twist,
    reversible: false,
    source: SOURCES.iec60061,
  },
  {
    id: 'BA9s',
    name: 'Bayonet 9 mm',
    recognise: 'Small cap, two pins opposite, one contact.',
    release: twist,
    reversible: false,
    source: SOURCES.iec60061,
  },
  {
    id: 'W3x16d',
    name: 'Wedge 3 × 16 mm, single filament',
    recognise: 'Glass wedge in a plastic skirt, two contacts.',
    release: pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W3x16q',
    name: 'Wedge 3 × 16 mm, twin filament',
    recognise: 'Glass wedge in a plastic skirt, four contacts.',
    release: pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2.5x16d',
    name: 'Plastic wedge 2.5 × 16 mm, single filament',
    recognise: 'Plastic wedge with side catches, two contacts.',
    release: pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2.5x16q',
    name: 'Plastic wedge 2.5 × 16 mm, twin filament',
    recognise:
      'Plastic wedge with side catches, four contacts. Standard or CK wiring: check the earth contacts.',
    release: pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2.1x9.5d',
    name: 'Glass wedge 2.1 × 9.5 mm',
    recognise: 'Small all-glass wedge, two bent wires.',
    release: pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2x4.6d',
    name: 'Glass wedge 2 × 4.6 mm',
    recognise: 'Tiny all-glass wedge, found in dash panels.',
    release: pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'SV8.5',
    name: 'Festoon, 8.5 mm caps',
    recognise: 'Tube with a pointed cap at each end; sold by length.',
    release: 'Ease one spring clip back and lift out.',
    reversible: true,
    source: SOURCES.iec60061,
  },
];

/** The record of a base. Every `BaseId` has one. */
export function baseRecord(id: BaseId): BaseRecord {
  const found = BASES.find((base) => base.id === id);
  if (!found) throw new Error(`No record for base ${id}`);
  return found;
}
