import type { BaseId, Bulb, FilamentRating } from '../model/bulb.ts';
import { SOURCES } from './sources.ts';

/** Bulbs by trade number: rated volts and amps are printed, light is in mean spherical candela. */
interface Row {
  number: string;
  base: BaseId;
  interchange?: string;
  names?: readonly string[];
  filaments: readonly (readonly [
    role: FilamentRating['role'],
    volts: number,
    amps: number,
    candela: number,
  ])[];
}

const ROWS: readonly Row[] = [
  { number: '1156', base: 'BA15s', interchange: 'single-bayonet-21w', filaments: [['only', 12.8, 2.1, 32]] },
  {
    number: '1157',
    base: 'BAY15d',
    interchange: 'twin-bayonet-21w',
    filaments: [
      ['bright', 12.8, 2.1, 32],
      ['dim', 14, 0.59, 3],
    ],
  },
  { number: '3156', base: 'W2.5x16d', filaments: [['only', 12.8, 2.1, 32]] },
  {
    number: '3157',
    base: 'W2.5x16q',
    filaments: [
      ['bright', 12.8, 2.1, 32],
      ['dim', 14, 0.59, 3],
    ],
  },
  { number: '194', base: 'W2.1x9.5d', interchange: 'wedge-5w', filaments: [['only', 14, 0.27, 2]] },
  { number: '168', base: 'W2.1x9.5d', interchange: 'wedge-5w', filaments: [['only', 14, 0.35, 3]] },
  { number: '921', base: 'W2.1x9.5d', interchange: 'wedge-16w', filaments: [['only', 12.8, 1.4, 21]] },
  { number: '912', base: 'W2.1x9.5d', filaments: [['only', 12.8, 1.0, 12]] },
  { number: '1141', base: 'BA15s', filaments: [['only', 12.8, 1.44, 21]] },
  { number: '67', base: 'BA15s', filaments: [['only', 13.5, 0.59, 4]] },
  { number: '89', base: 'BA15s', filaments: [['only', 13, 0.58, 6]] },
  { number: '211-2', base: 'SV8.5', names: ['festoon 41 mm'], filaments: [['only', 12.8, 0.97, 12]] },
  { number: '578', base: 'SV8.5', names: ['festoon 41 mm'], filaments: [['only', 12.8, 0.78, 9]] },
  { number: '37', base: 'W2x4.6d', filaments: [['only', 14, 0.09, 0.5]] },
  { number: '74', base: 'W2x4.6d', filaments: [['only', 14, 0.1, 0.7]] },
];

export const SAE_BULBS: readonly Bulb[] = ROWS.map((row) => ({
  id: row.number,
  names: [row.number, ...(row.names ?? [])],
  system: 'SAE',
  base: row.base,
  systemVolts: 12,
  glass: 'clear',
  filaments: row.filaments.map(([role, testVolts, amps, candela]) => ({
    role,
    testVolts,
    amps,
    ampsOrigin: 'rated',
    // A lamp that gives one mean spherical candela gives 4π lumens.
    lumens: 4 * Math.PI * candela,
  })),
  ...(row.interchange ? { interchange: row.interchange } : {}),
  source: SOURCES.saeMiniature,
}));
