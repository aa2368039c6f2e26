// Longer than 300 lines: a table of every bulb by category.
import { together } from '../formatting/source.ts';
import type { BaseId, Bulb, FilamentRating } from '../model/bulb.ts';
import { SOURCES } from './sources.ts';

/**
 * Bulbs by UN category. The regulation prints a limit of watts at the test voltage, not a current; the
 * typical current is the limit without its allowance: 6 % on the 21 W filament, 10 % on all others.
 */
const ALLOWANCE = { main21: 1.06, other: 1.1 } as const;

interface Row {
  category: string;
  names: readonly string[];
  base: BaseId;
  glass?: 'amber';
  /** a name of the trade that is no category of the regulation */
  trade?: true;
  interchange?: string;
  volts?: 24;
  /** where the category comes in several lengths, or is unlike the others of its base, mm */
  size?: readonly [lengthMm: number, glassMm: number];
  /** where it is not the 13.5 V or 28 V of signal bulbs */
  testVolts?: number;
  filaments: readonly (readonly [
    role: FilamentRating['role'],
    maxWatts: number,
    lumens: number,
    lumensTolerance: number,
  ])[];
}

const ROWS: readonly Row[] = [
  {
    category: 'P21W',
    names: ['382', '7506', 'S25'],
    base: 'BA15s',
    interchange: 'single-bayonet-21w',
    filaments: [['only', 26.5, 460, 0.15]],
  },
  {
    category: 'P21W',
    names: ['241'],
    base: 'BA15s',
    volts: 24,
    filaments: [['only', 29.7, 460, 0.15]],
  },
  {
    category: 'PY21W',
    names: ['581', '7507', 'S25 amber'],
    base: 'BAU15s',
    glass: 'amber',
    filaments: [['only', 26.5, 280, 0.2]],
  },
  {
    category: 'P21/5W',
    names: ['380', '7528', 'S25 twin'],
    base: 'BAY15d',
    interchange: 'twin-bayonet-21w',
    filaments: [
      ['bright', 26.5, 440, 0.15],
      ['dim', 6.6, 35, 0.2],
    ],
  },
  { category: 'W21W', names: ['582', '7440', 'T20'], base: 'W3x16d', filaments: [['only', 26.5, 460, 0.15]] },
  {
    category: 'W21/5W',
    names: ['580', '7443', '7443CK', 'T20 twin'],
    base: 'W3x16q',
    filaments: [
      ['bright', 26.5, 440, 0.15],
      ['dim', 6.6, 35, 0.2],
    ],
  },
  {
    category: 'W16W',
    names: ['955', 'T15'],
    base: 'W2.1x9.5d',
    interchange: 'wedge-16w',
    size: [38, 15.9],
    filaments: [['only', 21.35, 310, 0.2]],
  },
  { category: 'R10W', names: ['245'], base: 'BA15s', size: [37.5, 19], filaments: [['only', 11, 125, 0.2]] },
  { category: 'R5W', names: ['207'], base: 'BA15s', size: [37.5, 19], filaments: [['only', 5.5, 50, 0.2]] },
  {
    category: 'W5W',
    names: ['501', '2825', 'T10'],
    base: 'W2.1x9.5d',
    interchange: 'wedge-5w',
    filaments: [['only', 5.5, 50, 0.2]],
  },
  {
    category: 'C5W',
    names: ['239', 'festoon 36 mm', '6418'],
    base: 'SV8.5',
    filaments: [['only', 5.5, 45, 0.2]],
  },
  // Festoons of 10 W are no UN category; their numbers go by length.
  {
    category: 'C10W',
    names: ['272', 'festoon 31 mm'],
    base: 'SV8.5',
    size: [31, 11],
    filaments: [['only', 11, 100, 0.2]],
  },
  {
    category: 'C10W',
    names: ['269', 'festoon 39 mm'],
    base: 'SV8.5',
    size: [39, 11],
    filaments: [['only', 11, 110, 0.2]],
  },
  {
    category: 'C10W',
    names: ['264', 'festoon 42 mm'],
    base: 'SV8.5',
    size: [42, 11],
    filaments: [['only', 11, 110, 0.2]],
  },
  {
    category: 'C21W',
    names: ['273', 'festoon 42 mm'],
    base: 'SV8.5',
    size: [42, 15],
    filaments: [['only', 26.5, 460, 0.15]],
  },
  { category: 'T4W', names: ['233'], base: 'BA9s', filaments: [['only', 4.4, 35, 0.2]] },
  { category: 'W1.2W', names: ['286', 'T5'], base: 'W2x4.6d', filaments: [['only', 1.32, 6, 0.4]] },
  // A capsule for front fog lamps; it is tested at 13.2 V.
  {
    category: 'H3',
    names: ['453'],
    base: 'PK22s',
    testVolts: 13.2,
    filaments: [['only', 68, 1450, 0.15]],
  },
  {
    category: 'WY21W',
    names: ['7440A', '7440NA', 'T20 amber'],
    base: 'WX3x16d',
    glass: 'amber',
    filaments: [['only', 26.5, 280, 0.2]],
  },
  {
    category: 'W3W',
    names: ['504'],
    base: 'W2.1x9.5d',
    filaments: [['only', 3.45, 22, 0.3]],
  },
  {
    category: 'WY5W',
    names: ['501A', '2827', '194NA', 'T10 amber'],
    base: 'W2.1x9.5d',
    glass: 'amber',
    filaments: [['only', 5.5, 30, 0.2]],
  },
  { category: 'W10W', names: [], base: 'W2.1x9.5d', size: [38, 15.9], filaments: [['only', 11, 125, 0.2]] },
  {
    category: 'WY10W',
    names: [],
    base: 'W2.1x9.5d',
    glass: 'amber',
    size: [38, 15.9],
    filaments: [['only', 11, 75, 0.2]],
  },
  {
    category: 'WY16W',
    names: ['T15 amber'],
    base: 'W2.1x9.5d',
    glass: 'amber',
    size: [38, 15.9],
    filaments: [['only', 21.35, 190, 0.2]],
  },
  {
    category: 'RY10W',
    names: ['245A'],
    base: 'BAU15s',
    glass: 'amber',
    size: [37.5, 19],
    filaments: [['only', 11, 75, 0.2]],
  },
  // No UN category: the trade calls it so.
  {
    category: 'WY21/5W',
    trade: true,
    names: ['7444NA', '7444A', 'T20 twin amber'],
    base: 'WX3x16q',
    glass: 'amber',
    filaments: [
      ['bright', 26.5, 280, 0.2],
      ['dim', 6.6, 21, 0.2],
    ],
  },
  {
    category: '7443NA',
    trade: true,
    names: ['7443A'],
    base: 'W3x16q',
    glass: 'amber',
    filaments: [
      ['bright', 26.5, 280, 0.2],
      ['dim', 6.6, 21, 0.2],
    ],
  },
  {
    category: 'P27W',
    names: ['T25 27 W'],
    base: 'W2.5x16d',
    filaments: [['only', 32.1, 475, 0.15]],
  },
  {
    category: 'P27/7W',
    names: ['T25 twin 27 W'],
    base: 'W2.5x16q',
    filaments: [
      ['bright', 32.1, 475, 0.15],
      ['dim', 8.5, 36, 0.15],
    ],
  },
  // Panel bulbs are no UN category; they go by their holder.
  {
    category: 'B8.5d-1.2W',
    names: ['twist-lock panel bulb', 'T5 twist-lock'],
    base: 'B8.5d',
    filaments: [['only', 1.32, 6, 0.4]],
  },
  {
    category: 'BX8.5d-1.2W',
    names: ['twist-lock panel bulb, keyed'],
    base: 'BX8.5d',
    filaments: [['only', 1.32, 6, 0.4]],
  },
  // Capsules for headlamps and fog lamps.
  { category: 'H1', names: ['448'], base: 'P14.5s', testVolts: 13.2, filaments: [['only', 68, 1550, 0.15]] },
  {
    category: 'H4',
    names: ['472', '9003', 'HB2'],
    base: 'P43t',
    testVolts: 13.2,
    filaments: [
      ['bright', 75, 1650, 0.15],
      ['dim', 68, 1000, 0.15],
    ],
  },
  {
    category: 'H7',
    names: ['477', '499'],
    base: 'PX26d',
    testVolts: 13.2,
    filaments: [['only', 58, 1500, 0.1]],
  },
  { category: 'H11', names: ['711'], base: 'PGJ19-2', testVolts: 13.2, filaments: [['only', 62, 1350, 0.1]] },
  { category: 'H8', names: ['708'], base: 'PGJ19-1', testVolts: 13.2, filaments: [['only', 43, 800, 0.15]] },
  { category: 'H9', names: ['709'], base: 'PGJ19-5', testVolts: 13.2, filaments: [['only', 73, 2100, 0.1]] },
  {
    category: 'H16',
    names: ['5202'],
    base: 'PGJ19-3',
    testVolts: 13.2,
    filaments: [['only', 22, 500, 0.15]],
  },
  { category: 'HB3', names: ['9005'], base: 'P20d', testVolts: 13.2, filaments: [['only', 73, 1860, 0.12]] },
  { category: 'HB4', names: ['9006'], base: 'P22d', testVolts: 13.2, filaments: [['only', 62, 1095, 0.15]] },
  // 24 V, tested at 28 V.
  {
    category: 'W1.2W',
    names: ['W1.2W panel bulb 24 V'],
    base: 'W2x4.6d',
    volts: 24,
    filaments: [['only', 1.54, 6, 0.4]],
  },
  { category: 'H7', names: ['477 24 V'], base: 'PX26d', volts: 24, filaments: [['only', 75, 1750, 0.1]] },
  {
    category: 'PY21W',
    names: ['588'],
    base: 'BAU15s',
    glass: 'amber',
    volts: 24,
    filaments: [['only', 29.7, 280, 0.2]],
  },
  {
    category: 'P21/5W',
    names: ['334'],
    base: 'BAY15d',
    volts: 24,
    filaments: [
      ['bright', 29.7, 440, 0.15],
      ['dim', 11, 40, 0.2],
    ],
  },
  {
    category: 'R10W',
    names: ['246'],
    base: 'BA15s',
    size: [37.5, 19],
    volts: 24,
    filaments: [['only', 13.75, 125, 0.2]],
  },
  {
    category: 'R5W',
    names: ['149'],
    base: 'BA15s',
    size: [37.5, 19],
    volts: 24,
    filaments: [['only', 7.7, 50, 0.2]],
  },
  { category: 'W5W', names: ['507'], base: 'W2.1x9.5d', volts: 24, filaments: [['only', 7.7, 50, 0.2]] },
  {
    category: 'C5W',
    names: ['242', 'festoon 36 mm 24 V'],
    base: 'SV8.5',
    volts: 24,
    filaments: [['only', 7.7, 45, 0.2]],
  },
  { category: 'T4W', names: ['249'], base: 'BA9s', volts: 24, filaments: [['only', 5.5, 35, 0.2]] },
];

/** Length over all and width of the glass by base: what the category sheets allow at most, mm. */
const SIZES: Record<BaseId, readonly [lengthMm: number, glassMm: number]> = {
  BA15s: [52.5, 26.5],
  BAU15s: [52.5, 26.5],
  BAY15d: [52.5, 26.5],
  BA9s: [30, 8.9],
  W3x16d: [44.5, 20.5],
  WX3x16d: [44.5, 20.5],
  W3x16q: [44.5, 20.5],
  WX3x16q: [44.5, 20.5],
  'B8.5d': [16, 8.5],
  'BX8.5d': [16, 8.5],
  'W2.5x16d': [53, 25.4],
  'W2.5x16q': [53, 25.4],
  'W2.1x9.5d': [26.8, 10.3],
  'W2x4.6d': [20, 5],
  'SV8.5': [36, 11],
  PK22s: [42, 11.5],
  'P14.5s': [67.5, 14],
  P43t: [82, 17],
  PX26d: [59, 14],
  'PGJ19-1': [67, 14],
  'PGJ19-2': [67, 14],
  'PGJ19-3': [67, 14],
  'PGJ19-5': [67, 14],
  P20d: [80, 14],
  P22d: [80, 14],
};

function record(row: Row): Bulb {
  const testVolts = row.testVolts ?? (row.volts === 24 ? 28 : 13.5);
  return {
    id: idOf(row),
    names:
      row.volts === 24 ? [`${row.category} 24 V`, row.category, ...row.names] : [row.category, ...row.names],
    system: 'UN',
    base: row.base,
    systemVolts: row.volts ?? 12,
    glass: row.glass ?? 'clear',
    lengthMm: (row.size ?? SIZES[row.base])[0],
    glassMm: (row.size ?? SIZES[row.base])[1],
    filaments: row.filaments.map(([role, maxWatts, lumens, lumensTolerance]) => ({
      role,
      testVolts,
      amps: maxWatts / (maxWatts > 25 ? ALLOWANCE.main21 : ALLOWANCE.other) / testVolts,
      ampsOrigin: 'typical',
      maxWatts,
      lumens,
      lumensTolerance,
    })),
    ...(row.interchange ? { interchange: row.interchange } : {}),
    source: row.trade
      ? together(SOURCES.tradeOnly, SOURCES.sizes)
      : together(SOURCES.unR37, SOURCES.tradeNumbers, SOURCES.sizes),
  };
}

/** Categories that come in several lengths have the length in their id. */
function idOf({ category, volts, size, base }: Row): string {
  const length = base === 'SV8.5' && size ? `-${size[0]}` : '';
  return `${slug(category)}${length}${volts === 24 ? '-24V' : ''}`;
}

/** Ids may not hold a slash: P21/5W becomes P21-5W. */
function slug(category: string): string {
  return category.replace('/', '-');
}

export const UN_BULBS: readonly Bulb[] = ROWS.map(record);
