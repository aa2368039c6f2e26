import type { BaseId } from '../model/bulb.ts';
import { type BaseRecord, RELEASE } from './baseRecord.ts';
import { MORE_BASES } from './basesKeyed.ts';
import { SOURCES } from './sources.ts';

export const BASES: readonly BaseRecord[] = [
  {
    id: 'BA15s',
    name: 'Bayonet 15 mm, single contact',
    recognise: 'Two pins opposite each other at one height, one contact underneath.',
    release: RELEASE.twist,
    reversible: false,
    source: SOURCES.iec60061,
  },
  {
    id: 'BAU15s',
    name: 'Bayonet 15 mm, pins at 150°',
    recognise: 'Two pins 150° apart at one height, one contact; keeps clear glass out of an amber lamp.',
    release: RELEASE.twist,
    reversible: false,
    source: SOURCES.iec60061,
  },
  {
    id: 'BAY15d',
    name: 'Bayonet 15 mm, offset pins, two contacts',
    recognise: 'Two pins opposite at different heights, two contacts; goes in one way only.',
    release: RELEASE.twist,
    reversible: false,
    twin: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'BA9s',
    name: 'Bayonet 9 mm',
    recognise: 'Small cap, two pins opposite, one contact.',
    release: RELEASE.twist,
    reversible: false,
    source: SOURCES.iec60061,
  },
  {
    id: 'W3x16d',
    name: 'Wedge 3 × 16 mm, single filament',
    recognise: 'Glass wedge in a plastic skirt, two contacts.',
    release: RELEASE.pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'WX3x16d',
    name: 'Wedge 3 × 16 mm, single filament, keyed for amber',
    recognise:
      'Glass wedge in a plastic skirt with another key, two contacts; keeps clear glass out of an amber lamp.',
    release: RELEASE.pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W3x16q',
    name: 'Wedge 3 × 16 mm, twin filament',
    recognise:
      'Glass wedge in a plastic skirt, four contacts. Standard or CK wiring: check the earth contacts.',
    release: RELEASE.pull,
    reversible: true,
    twin: true,
    ck: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'WX3x16q',
    name: 'Wedge 3 × 16 mm, twin filament, keyed for amber',
    recognise:
      'As the 3 × 16 mm twin wedge, its skirt keyed otherwise so that clear glass does not go into an amber lamp. Standard or CK wiring: check the earth contacts.',
    release: RELEASE.pull,
    reversible: true,
    twin: true,
    ck: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2.5x16d',
    name: 'Plastic wedge 2.5 × 16 mm, single filament',
    recognise: 'Plastic wedge with side catches, two contacts.',
    release: RELEASE.pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2.5x16q',
    name: 'Plastic wedge 2.5 × 16 mm, twin filament',
    recognise:
      'Plastic wedge with side catches, four contacts. Standard or CK wiring: check the earth contacts.',
    release: RELEASE.pull,
    reversible: true,
    twin: true,
    ck: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2.1x9.5d',
    name: 'Glass wedge 2.1 × 9.5 mm',
    recognise: 'Small all-glass wedge, two bent wires.',
    release: RELEASE.pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'W2x4.6d',
    name: 'Glass wedge 2 × 4.6 mm',
    recognise: 'Tiny all-glass wedge, found in dash panels.',
    release: RELEASE.pull,
    reversible: true,
    source: SOURCES.iec60061,
  },
  ...(['B8.5d', 'BX8.5d'] as const).map(
    (id): BaseRecord => ({
      id,
      name: `Twist-lock panel holder 8.5 mm${id === 'BX8.5d' ? ', keyed' : ''}`,
      recognise:
        'Tiny bulb in a plastic holder that is turned into the back of a dash panel, two contact springs at its rim.',
      release: 'Turn the holder about 90° anticlockwise with a screwdriver, lift out.',
      reversible: true,
      source: SOURCES.iec60061,
    }),
  ),
  {
    id: 'SV8.5',
    name: 'Festoon, 8.5 mm caps',
    recognise: 'Tube with a pointed cap at each end; sold by length.',
    release: 'Ease one spring clip back and lift out.',
    reversible: true,
    source: SOURCES.iec60061,
  },
  {
    id: 'PK22s',
    name: 'Prefocus 22 mm, fog capsule',
    recognise: 'Metal disc with a short lead; the filament lies across.',
    release: RELEASE.capsule,
    reversible: false,
    capsule: true,
    source: SOURCES.iec60061,
  },
  ...(
    [
      [
        'P14.5s',
        'Prefocus 14.5 mm',
        'Metal disc with one cut-out, one flat blade behind; the filament lies along.',
      ],
      ['PX26d', 'Prefocus 26 mm', 'Metal disc with a cut-out, two flat blades side by side.'],
      ['PGJ19-1', 'Prefocus 19 mm, first key', 'Plastic foot at a right angle with its own plug, for 35 W.'],
      ['PGJ19-3', 'Prefocus 19 mm, third key', 'Plastic foot at a right angle with its own plug, for 19 W.'],
      ['PGJ19-5', 'Prefocus 19 mm, fifth key', 'Plastic foot at a right angle with its own plug, for 65 W.'],
      [
        'PGJ19-2',
        'Prefocus 19 mm, plastic foot',
        'Plastic foot at a right angle with its own plug and a rubber ring.',
      ],
      ['P20d', 'Prefocus 20 mm, plastic foot', 'Plastic foot at a right angle, three tabs, rubber ring.'],
      [
        'P22d',
        'Prefocus 22 mm, plastic foot',
        'Plastic foot at a right angle, three tabs of other widths, rubber ring.',
      ],
    ] as const
  ).map(
    ([id, name, recognise]): BaseRecord => ({
      id,
      name,
      recognise,
      release:
        id.startsWith('PGJ') || (id.endsWith('d') && id.startsWith('P2'))
          ? RELEASE.turnFoot
          : RELEASE.capsule,
      reversible: false,
      capsule: true,
      source: SOURCES.iec60061,
    }),
  ),
  {
    id: 'P43t',
    name: 'Prefocus 43 mm, two filaments',
    recognise: 'Metal ring with three tabs, three flat blades: dipped and main beam in one capsule.',
    release: RELEASE.capsule,
    reversible: false,
    twin: true,
    capsule: true,
    source: SOURCES.iec60061,
  },
  ...MORE_BASES,
];

/**
 * Whether a socket of a base may be wired CK: plastic wedges anywhere, glass ones in North America, where CK is met on
 * them too (common practice).
 */
export function mayBeCk(region: 'UN' | 'US', id: BaseId): boolean {
  return baseRecord(id).ck === true && (region === 'US' || id === 'W2.5x16q');
}

/**
 * The record of a base. Every `BaseId` has one.
 *
 * @throws Error for an id that is none
 */
export function baseRecord(id: BaseId): BaseRecord {
  const found = BASES.find((base) => base.id === id);
  if (!found) throw new Error(`No record for base ${id}`);
  return found;
}
