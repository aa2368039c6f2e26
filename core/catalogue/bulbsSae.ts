import { together } from '../formatting/source.ts';
import type { BaseId, Bulb, FilamentRating } from '../model/bulb.ts';
import { SOURCES } from './sources.ts';

/** Bulbs by trade number: rated volts and amps are printed, light is in mean spherical candela. */
interface Row {
  number: string;
  base: BaseId;
  interchange?: string;
  systemVolts?: 6;
  names?: readonly string[];
  /** the same with amber glass, `A` painted and `NA` natural, and the light that leaves, mean spherical candela a filament */
  amber?: { suffixes: readonly ('A' | 'NA')[]; candela: readonly number[] };
  /** length over all and width of the glass, mm; glass is numbered in eighths of an inch */
  size: readonly [lengthMm: number, glassMm: number];
  filaments: readonly (readonly [
    role: FilamentRating['role'],
    volts: number,
    amps: number,
    candela: number,
  ])[];
}

const ROWS: readonly Row[] = [
  {
    number: '1156',
    amber: { suffixes: ['A', 'NA'], candela: [24] },
    size: [50.8, 25.4],
    base: 'BA15s',
    names: ['S25'],
    interchange: 'single-bayonet-21w',
    filaments: [['only', 12.8, 2.1, 32]],
  },
  {
    number: '1157',
    amber: { suffixes: ['A', 'NA'], candela: [24, 2.2] },
    size: [50.8, 25.4],
    base: 'BAY15d',
    names: ['S25 twin'],
    interchange: 'twin-bayonet-21w',
    filaments: [
      ['bright', 12.8, 2.1, 32],
      ['dim', 14, 0.59, 3],
    ],
  },
  {
    number: '3156',
    amber: { suffixes: ['A', 'NA'], candela: [24] },
    size: [53, 25.4],
    base: 'W2.5x16d',
    names: ['T25'],
    filaments: [['only', 12.8, 2.1, 32]],
  },
  {
    number: '3157',
    amber: { suffixes: ['A', 'NA'], candela: [24, 2.2] },
    size: [53, 25.4],
    base: 'W2.5x16q',
    names: ['3157CK', 'T25 twin'],
    filaments: [
      ['bright', 12.8, 2.1, 32],
      ['dim', 14, 0.59, 3],
    ],
  },
  {
    number: '2057',
    amber: { suffixes: ['A', 'NA'], candela: [24, 1.5] },
    size: [50.8, 25.4],
    base: 'BAY15d',
    filaments: [
      ['bright', 12.8, 2.1, 32],
      ['dim', 14, 0.48, 2],
    ],
  },
  {
    number: '2357',
    amber: { suffixes: ['A', 'NA'], candela: [30, 2.2] },
    size: [50.8, 25.4],
    base: 'BAY15d',
    filaments: [
      ['bright', 12.8, 2.23, 40],
      ['dim', 14, 0.59, 3],
    ],
  },
  {
    number: '3057',
    amber: { suffixes: ['A', 'NA'], candela: [24, 1.5] },
    size: [53, 25.4],
    base: 'W2.5x16q',
    filaments: [
      ['bright', 12.8, 2.1, 32],
      ['dim', 14, 0.48, 2],
    ],
  },
  {
    number: '3457',
    amber: { suffixes: ['A', 'NA'], candela: [30, 2.2] },
    size: [53, 25.4],
    base: 'W2.5x16q',
    names: ['T25 twin'],
    filaments: [
      ['bright', 12.8, 2.23, 40],
      ['dim', 14, 0.59, 3],
    ],
  },
  {
    number: '4157',
    amber: { suffixes: ['NA'], candela: [24, 2.2] },
    size: [53, 25.4],
    base: 'W2.5x16q',
    names: ['4157CK'],
    filaments: [
      ['bright', 12.8, 2.23, 32],
      ['dim', 14, 0.59, 3],
    ],
  },
  { number: '906', size: [36.6, 15.9], base: 'W2.1x9.5d', filaments: [['only', 13.5, 0.69, 6]] },
  {
    number: '194',
    amber: { suffixes: ['A'], candela: [1.5] },
    size: [26.9, 10.3],
    base: 'W2.1x9.5d',
    names: ['T10'],
    interchange: 'wedge-5w',
    filaments: [['only', 14, 0.27, 2]],
  },
  {
    number: '168',
    amber: { suffixes: ['A', 'NA'], candela: [2.2] },
    size: [26.9, 10.3],
    base: 'W2.1x9.5d',
    names: ['T10'],
    interchange: 'wedge-5w',
    filaments: [['only', 14, 0.35, 3]],
  },
  {
    number: '921',
    size: [36.6, 15.9],
    base: 'W2.1x9.5d',
    names: ['T15'],
    interchange: 'wedge-16w',
    filaments: [['only', 12.8, 1.4, 21]],
  },
  {
    number: '912',
    size: [36.6, 15.9],
    base: 'W2.1x9.5d',
    names: ['T15'],
    filaments: [['only', 12.8, 1.0, 12]],
  },
  { number: '1141', size: [50.8, 25.4], base: 'BA15s', filaments: [['only', 12.8, 1.44, 21]] },
  { number: '67', size: [36.5, 19], base: 'BA15s', filaments: [['only', 13.5, 0.59, 4]] },
  { number: '89', size: [36.5, 19], base: 'BA15s', filaments: [['only', 13, 0.58, 6]] },
  {
    number: '211-2',
    size: [41.3, 9.5],
    base: 'SV8.5',
    names: ['festoon 41 mm'],
    filaments: [['only', 12.8, 0.97, 12]],
  },
  {
    number: '578',
    size: [41.3, 9.5],
    base: 'SV8.5',
    names: ['festoon 41 mm'],
    filaments: [['only', 12.8, 0.78, 9]],
  },
  {
    number: '561',
    size: [44.5, 9.5],
    base: 'SV8.5',
    names: ['festoon 44 mm'],
    filaments: [['only', 12.8, 0.97, 12]],
  },
  {
    number: '212-2',
    size: [41.3, 9.5],
    base: 'SV8.5',
    names: ['festoon 41 mm'],
    filaments: [['only', 13.5, 0.74, 6]],
  },
  {
    number: '3175',
    size: [31, 10],
    base: 'SV8.5',
    names: ['festoon 31 mm', 'DE3175'],
    filaments: [['only', 12.8, 0.78, 7]],
  },
  { number: '37', size: [20.6, 5.6], base: 'W2x4.6d', names: ['T5'], filaments: [['only', 14, 0.09, 0.5]] },
  { number: '53', size: [23.8, 11.1], base: 'BA9s', filaments: [['only', 14.4, 0.12, 1]] },
  // 6 V, for vehicles from before the middle of the 1950s and small motorcycles.
  { number: '1129', size: [50.8, 25.4], base: 'BA15s', systemVolts: 6, filaments: [['only', 6.4, 2.63, 21]] },
  {
    number: '1154',
    size: [50.8, 25.4],
    base: 'BAY15d',
    systemVolts: 6,
    filaments: [
      ['bright', 6.4, 2.63, 21],
      ['dim', 7, 0.75, 3],
    ],
  },
  { number: '63', size: [36.5, 19], base: 'BA15s', systemVolts: 6, filaments: [['only', 7, 0.63, 3]] },
  { number: '74', size: [20.6, 5.6], base: 'W2x4.6d', names: ['T5'], filaments: [['only', 14, 0.1, 0.7]] },
];

const CLEAR: readonly Bulb[] = ROWS.map((row) => record(row, null));

const AMBER: readonly Bulb[] = ROWS.flatMap((row) => (row.amber ? [record(row, row.amber)] : []));

export const SAE_BULBS: readonly Bulb[] = [...CLEAR, ...AMBER];

/** A trade number in clear glass or amber: the filaments are the same, the glass keeps some of the light. */
function record(row: Row, amber: Row['amber'] | null): Bulb {
  const { number } = row;
  const names = amber ? amber.suffixes.map((suffix) => `${number}${suffix}`) : [number, ...(row.names ?? [])];
  return {
    id: names[0] ?? number,
    names,
    system: 'SAE',
    base: row.base,
    systemVolts: row.systemVolts ?? 12,
    glass: amber ? 'amber' : 'clear',
    lengthMm: row.size[0],
    glassMm: row.size[1],
    filaments: row.filaments.map(([role, testVolts, amps, candela], index) => ({
      role,
      testVolts,
      amps,
      ampsOrigin: 'rated',
      // A lamp that gives one mean spherical candela gives 4π lumens.
      lumens: 4 * Math.PI * (amber?.candela[index] ?? candela),
    })),
    ...(row.interchange && !amber ? { interchange: row.interchange } : {}),
    source: together(SOURCES.saeMiniature, SOURCES.sizes),
  };
}
