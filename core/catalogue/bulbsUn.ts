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
  interchange?: string;
  volts?: 24;
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
    names: ['382'],
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
    names: ['581'],
    base: 'BAU15s',
    glass: 'amber',
    filaments: [['only', 26.5, 280, 0.2]],
  },
  {
    category: 'P21/5W',
    names: ['380'],
    base: 'BAY15d',
    interchange: 'twin-bayonet-21w',
    filaments: [
      ['bright', 26.5, 440, 0.15],
      ['dim', 6.6, 35, 0.2],
    ],
  },
  { category: 'W21W', names: ['582'], base: 'W3x16d', filaments: [['only', 26.5, 460, 0.15]] },
  {
    category: 'W21/5W',
    names: ['580'],
    base: 'W3x16q',
    filaments: [
      ['bright', 26.5, 440, 0.15],
      ['dim', 6.6, 35, 0.2],
    ],
  },
  {
    category: 'W16W',
    names: ['955'],
    base: 'W2.1x9.5d',
    interchange: 'wedge-16w',
    filaments: [['only', 21.35, 310, 0.2]],
  },
  { category: 'R10W', names: ['245'], base: 'BA15s', filaments: [['only', 11, 125, 0.2]] },
  { category: 'R5W', names: ['207'], base: 'BA15s', filaments: [['only', 5.5, 50, 0.2]] },
  {
    category: 'W5W',
    names: ['501'],
    base: 'W2.1x9.5d',
    interchange: 'wedge-5w',
    filaments: [['only', 5.5, 50, 0.2]],
  },
  { category: 'C5W', names: ['239', 'festoon 36 mm'], base: 'SV8.5', filaments: [['only', 5.5, 45, 0.2]] },
  { category: 'T4W', names: ['233'], base: 'BA9s', filaments: [['only', 4.4, 35, 0.2]] },
];

function record(row: Row): Bulb {
  const testVolts = row.volts === 24 ? 28 : 13.5;
  return {
    id: row.volts === 24 ? `${slug(row.category)}-24V` : slug(row.category),
    names:
      row.volts === 24 ? [`${row.category} 24 V`, row.category, ...row.names] : [row.category, ...row.names],
    system: 'UN',
    base: row.base,
    systemVolts: row.volts ?? 12,
    glass: row.glass ?? 'clear',
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
    source: `${SOURCES.unR37}; numbers: ${SOURCES.tradeNumbers}`,
  };
}

/** Ids may not hold a slash: P21/5W becomes P21-5W. */
function slug(category: string): string {
  return category.replace('/', '-');
}

export const UN_BULBS: readonly Bulb[] = ROWS.map(record);
