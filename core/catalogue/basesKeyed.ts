import type { BaseId } from '../model/bulb.ts';
import { type BaseRecord, RELEASE } from './baseRecord.ts';
import { SOURCES } from './sources.ts';

/** Bases that differ from a better known one by a key, so that no bulb of another light or colour goes in. */
interface Keyed {
  id: BaseId;
  name: string;
  /** what tells it from its like */
  key: string;
}

const base = (
  { id, name, key }: Keyed,
  release: string,
  more: Partial<Pick<BaseRecord, 'twin' | 'capsule' | 'fogToo' | 'reversible'>> = {},
): BaseRecord => ({
  id,
  name,
  recognise: key,
  release,
  reversible: false,
  source: SOURCES.iec60061,
  ...more,
});

const BAYONETS: readonly BaseRecord[] = [
  base(
    {
      id: 'BAW15s',
      name: 'Bayonet 15 mm, keyed for red',
      key: 'Two pins 150° apart at different heights, one contact: red glass.',
    },
    RELEASE.twist,
  ),
  base(
    {
      id: 'BAW15d',
      name: 'Bayonet 15 mm, two contacts, keyed for red',
      key: 'Two pins 150° apart at different heights, two contacts: red glass.',
    },
    RELEASE.twist,
    { twin: true },
  ),
  base(
    {
      id: 'BAZ15d',
      name: 'Bayonet 15 mm, two contacts, pins at 150°',
      key: 'Two pins 150° apart at different heights, two contacts: 21 and 4 W.',
    },
    RELEASE.twist,
    { twin: true },
  ),
  base(
    {
      id: 'BAU15d',
      name: 'Bayonet 15 mm, two contacts, keyed for red 21 and 4 W',
      key: 'Two pins 150° apart, two contacts: red glass, 21 and 4 W.',
    },
    RELEASE.twist,
    { twin: true },
  ),
  ...(
    [
      ['BAX9s', 'offset pins', 'for a halogen bulb of 6 W'],
      ['BAZ9s', 'offset pins, keyed for amber', 'for one of 6 W in amber'],
      ['BAU9s', 'pins at 150°', 'for a halogen bulb of 10 W'],
      ['BAUZ9s', 'pins at 120°, keyed for amber', 'for one of 10 W in amber'],
      ['BAY9s', 'pins at different heights', 'for a halogen bulb of 21 W'],
      ['BAW9s', 'pins at 120°, keyed for amber', 'for one of 21 W in amber'],
    ] as const
  ).map(([id, how, what]) =>
    base({ id, name: `Bayonet 9 mm, ${how}`, key: `Small cap, ${how}, ${what}.` }, RELEASE.twist),
  ),
];

/** What the keys of the 19, 24 and 16 W families let in (from memory, to be compared with IEC 60061-1). */
const LIGHTS: Readonly<Record<number, string>> = {
  1: '19 W clear',
  2: '19 W amber',
  3: '24 W clear',
  4: '24 W amber',
  5: '19 W red',
  6: '24 W red',
  7: '24 W clear, for fog and daytime lamps',
};

const FEET: readonly BaseRecord[] = ([1, 2, 3, 4, 5, 6, 7] as const).flatMap((key) => [
  base(
    {
      id: `PG20-${key}`,
      name: `Plastic foot 20 mm with a plug, key ${key}`,
      key: `Plastic foot with its own plug, three tabs: ${LIGHTS[key]}.`,
    },
    RELEASE.turnHolder,
    { ...(key === 3 || key === 7 ? { fogToo: true } : {}) },
  ),
  base(
    {
      id: `PGU20-${key}`,
      name: `Plastic foot 20 mm, key ${key}`,
      key: `Plastic foot that turns into the lamp, contacts underneath: ${LIGHTS[key]}.`,
    },
    RELEASE.turnHolder,
    { ...(key === 7 ? { fogToo: true } : {}) },
  ),
]);

const WEDGES: readonly BaseRecord[] = [
  ...(
    [
      [1, '19 W clear'],
      [2, '19 W amber'],
      [3, '24 W clear'],
      [4, '24 W amber'],
      [5, '19 W red'],
      [6, '24 W red'],
      [7, '13 W clear'],
      [8, '16 W clear'],
      [9, '16 W amber'],
      [10, '16 W red'],
    ] as const
  ).map(([key, what]) =>
    base(
      {
        id: `WP3.3x14.5-${key}`,
        name: `Plastic wedge 3.3 × 14.5 mm, key ${key}`,
        key: `Plastic wedge with ribs that let in no other: ${what}.`,
      },
      RELEASE.pull,
    ),
  ),
  ...(
    [
      ['WY2.5x16d', 'Plastic wedge 2.5 × 16 mm, keyed for clear 21 W', '21 W clear'],
      ['WZ2.5x16d', 'Plastic wedge 2.5 × 16 mm, keyed for amber 21 W', '21 W amber'],
      ['WW2.5x16d', 'Plastic wedge 2.5 × 16 mm, keyed for red 21 W', '21 W red'],
    ] as const
  ).map(([id, name, what]) =>
    base({ id, name, key: `Plastic wedge with side catches and ribs: ${what}.` }, RELEASE.pull, {
      reversible: true,
    }),
  ),
  ...(
    [
      ['WY3x16q', 'Wedge 3 × 16 mm, twin filament, keyed for red', 'red glass'],
      ['WZ3x16q', 'Wedge 3 × 16 mm, twin filament, keyed for 15 and 5 W', '15 and 5 W'],
    ] as const
  ).map(([id, name, what]) =>
    base(
      { id, name, key: `Glass wedge in a plastic skirt keyed otherwise, four contacts: ${what}.` },
      RELEASE.pull,
      { reversible: true, twin: true },
    ),
  ),
];

/** The bases of the newer and the rarer categories. */
export const MORE_BASES: readonly BaseRecord[] = [
  ...BAYONETS,
  ...FEET,
  ...([1, 2, 7] as const).map((key) =>
    base(
      {
        id: `PU20d-${key}`,
        name: `Plastic foot 20 mm, two contacts, key ${key}`,
        key: `Plastic foot that turns into the lamp, two contacts: 16 W ${key === 1 ? 'clear' : key === 2 ? 'amber' : 'red'}.`,
      },
      RELEASE.turnHolder,
    ),
  ),
  base(
    {
      id: 'PG18.5d-1',
      name: 'Plastic foot 18.5 mm with a plug',
      key: 'Plastic foot with its own plug: 13 W.',
    },
    RELEASE.turnHolder,
    { fogToo: true },
  ),
  base(
    {
      id: 'PG13',
      name: 'Plastic foot 13 mm, straight plug',
      key: 'Plastic foot, straight, rubber ring: 27 W.',
    },
    RELEASE.turnFoot,
    {
      fogToo: true,
    },
  ),
  base(
    {
      id: 'PGJ13',
      name: 'Plastic foot 13 mm, plug at a right angle',
      key: 'Plastic foot at a right angle, rubber ring: 27 W.',
    },
    RELEASE.turnFoot,
    { fogToo: true },
  ),
  ...WEDGES,
  base(
    {
      id: 'P11.5d',
      name: 'Panel bulb foot 11.5 mm',
      key: 'Tiny bulb with a plastic collar and two springs.',
    },
    'Turn the foot anticlockwise, lift out.',
    { reversible: true },
  ),
  base(
    {
      id: 'P26.4t',
      name: 'Plastic foot 26.4 mm, two filaments',
      key: 'Plastic foot with three blades in its plug: dipped and main beam in one capsule.',
    },
    RELEASE.turnFoot,
    { twin: true, capsule: true },
  ),
];
