import type { BaseId } from '../model/bulb.ts';
import type { UnRow } from './unRow.ts';

/**
 * The rest of the UN list of signal filaments: families in clear, amber and red on keyed bases. Limits, light and bases are
 * recalled from memory; to be compared with the sheets of UN Regulation 37 (now in the resolution R.E.5).
 */
type Colour = readonly [
  category: string,
  base: BaseId,
  lumens: number,
  tolerance: number,
  names?: readonly string[],
];

const SHARE = 1.05;
const one = (
  maxWatts: number,
  rows: readonly Colour[],
  more: Partial<Pick<UnRow, 'allowance' | 'size' | 'trade'>> = {},
): UnRow[] =>
  rows.map(([category, base, lumens, tolerance, names = []]) => ({
    category,
    base,
    names,
    ...glassOf(category),
    ...more,
    filaments: [['only', maxWatts, lumens, tolerance]],
  }));

/** Amber categories have a Y behind the letters of their kind, red ones an R. */
function glassOf(category: string): { glass?: 'amber' | 'red' } {
  if (/^(H|P|PS|PC|PW|WP|W|R)Y\d/.test(category)) return { glass: 'amber' };
  return /^(P|PS|PC|PW|WP|W|R)R\d/.test(category) ? { glass: 'red' } : {};
}

const twin = (
  category: string,
  base: BaseId,
  bright: readonly [number, number, number],
  dim: readonly [number, number, number],
): UnRow => ({
  category,
  base,
  names: [],
  ...glassOf(category),
  filaments: [
    ['bright', ...bright],
    ['dim', ...dim],
  ],
});

export const MORE_UN_ROWS: readonly UnRow[] = [
  ...one(26.5, [['PR21W', 'BAW15s', 110, 0.2]]),
  twin('P21/4W', 'BAZ15d', [26.5, 440, 0.15], [5.5, 15, 0.2]),
  twin('PR21/5W', 'BAW15d', [26.5, 105, 0.2], [6.6, 8, 0.25]),
  twin('PR21/4W', 'BAU15d', [26.5, 105, 0.2], [5.5, 4, 0.25]),
  ...one(5.5, [['RR5W', 'BAW15s', 12, 0.25]], { size: [37.5, 19] }),
  ...one(11, [['RR10W', 'BAW15s', 30, 0.25]], { size: [37.5, 19] }),
  ...one(5.5, [['WR5W', 'W2.1x9.5d', 12, 0.25]]),
  ...one(2.5, [['W2.3W', 'W2x4.6d', 18.6, 0.2]]),
  ...one(1.54, [['T1.4W', 'P11.5d', 12, 0.3]]),
  // Small halogen bulbs.
  ...one(7.35, [
    ['H6W', 'BAX9s', 125, 0.12, ['434']],
    ['HY6W', 'BAZ9s', 75, 0.17],
  ]),
  ...one(12, [
    ['H10W/1', 'BAU9s', 200, 0.12],
    ['HY10W', 'BAUZ9s', 120, 0.17],
  ]),
  ...one(26.5, [
    ['H21W', 'BAY9s', 600, 0.12],
    ['HY21W', 'BAW9s', 300, 0.17],
  ]),
  ...one(
    31,
    [
      ['H27W/1', 'PG13', 477, 0.12, ['880']],
      ['H27W/2', 'PGJ13', 477, 0.12, ['881']],
    ],
    { allowance: 1.1 },
  ),
  // 13 W.
  ...one(19, [
    ['P13W', 'PG18.5d-1', 250, 0.2],
    ['PW13W', 'WP3.3x14.5-7', 250, 0.2],
  ]),
  // 16 W.
  ...one(
    17,
    [
      ['PC16W', 'PU20d-1', 300, 0.15],
      ['PCY16W', 'PU20d-2', 180, 0.2],
      ['PCR16W', 'PU20d-7', 70, 0.2],
      ['PW16W', 'WP3.3x14.5-8', 300, 0.15],
      ['PWY16W', 'WP3.3x14.5-9', 180, 0.2],
      ['PWR16W', 'WP3.3x14.5-10', 70, 0.2],
    ],
    { allowance: SHARE },
  ),
  // 19 W.
  ...one(
    20,
    [
      ['P19W', 'PGU20-1', 350, 0.15],
      ['PY19W', 'PGU20-2', 215, 0.2],
      ['PR19W', 'PGU20-5', 80, 0.2],
      ['PS19W', 'PG20-1', 350, 0.15],
      ['PSY19W', 'PG20-2', 215, 0.2],
      ['PSR19W', 'PG20-5', 80, 0.2],
      ['PW19W', 'WP3.3x14.5-1', 350, 0.15],
      ['PWY19W', 'WP3.3x14.5-2', 215, 0.2],
      ['PWR19W', 'WP3.3x14.5-5', 80, 0.2],
    ],
    { allowance: SHARE },
  ),
  // 24 W.
  ...one(
    25,
    [
      ['P24W', 'PGU20-3', 500, 0.2],
      ['PX24W', 'PGU20-7', 500, 0.2],
      ['PY24W', 'PGU20-4', 300, 0.25],
      ['PR24W', 'PGU20-6', 110, 0.25],
      ['PS24W', 'PG20-3', 500, 0.2],
      ['PSX24W', 'PG20-7', 500, 0.2, ['2504']],
      ['PSY24W', 'PG20-4', 300, 0.25],
      ['PSR24W', 'PG20-6', 110, 0.25],
      ['PW24W', 'WP3.3x14.5-3', 500, 0.2],
      ['PWY24W', 'WP3.3x14.5-4', 300, 0.25],
      ['PWR24W', 'WP3.3x14.5-6', 110, 0.25],
    ],
    { allowance: SHARE },
  ),
  // 21 W on plastic wedges with ribs.
  ...one(26.5, [
    ['WP21W', 'WY2.5x16d', 460, 0.15],
    ['WPY21W', 'WZ2.5x16d', 280, 0.2],
    ['WPR21W', 'WW2.5x16d', 110, 0.2],
  ]),
  twin('WR21/5W', 'WY3x16q', [26.5, 105, 0.2], [6.6, 8, 0.25]),
  twin('W15/5W', 'WZ3x16q', [19.1, 280, 0.15], [6.6, 35, 0.2]),
  {
    category: 'H13',
    names: ['9008'],
    base: 'P26.4t',
    testVolts: 13.2,
    filaments: [
      ['bright', 75, 1700, 0.15],
      ['dim', 68, 1100, 0.15],
    ],
  },
];
