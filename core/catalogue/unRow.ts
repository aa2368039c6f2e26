import { together } from '../formatting/source.ts';
import type { BaseId, Bulb, FilamentRating } from '../model/bulb.ts';
import { sizeOf } from './bulbSizes.ts';
import { SOURCES } from './sources.ts';

/**
 * The regulation prints a limit of watts at the test voltage, not a current; the typical current is the limit without its
 * allowance: 6 % on the 21 W filament, 5 % on those of 16, 19 and 24 W, 10 % on all others.
 */
const ALLOWANCE = { main21: 1.06, other: 1.1 } as const;

export interface UnRow {
  category: string;
  names: readonly string[];
  base: BaseId;
  glass?: 'amber' | 'red';
  /** a name of the trade that is no category of the regulation */
  trade?: true;
  interchange?: string;
  volts?: 24;
  /** where the category comes in several lengths, or is unlike the others of its base, mm */
  size?: readonly [lengthMm: number, glassMm: number];
  /** where it is not the 13.5 V or 28 V of signal bulbs */
  testVolts?: number;
  /** limit over what it typically draws, where it is not the one of its watts */
  allowance?: number;
  filaments: readonly (readonly [
    role: FilamentRating['role'],
    maxWatts: number,
    lumens: number,
    lumensTolerance: number,
  ])[];
}

/** The bulb a row is. */
export function unBulb(row: UnRow): Bulb {
  const testVolts = row.testVolts ?? (row.volts === 24 ? 28 : 13.5);
  const [lengthMm, glassMm] = row.size ?? sizeOf(row.base);
  return {
    id: idOf(row),
    names:
      row.volts === 24 ? [`${row.category} 24 V`, row.category, ...row.names] : [row.category, ...row.names],
    system: 'UN',
    base: row.base,
    systemVolts: row.volts ?? 12,
    glass: row.glass ?? 'clear',
    lengthMm,
    glassMm,
    filaments: row.filaments.map(([role, maxWatts, lumens, lumensTolerance]) => ({
      role,
      testVolts,
      amps: maxWatts / (row.allowance ?? (maxWatts > 25 ? ALLOWANCE.main21 : ALLOWANCE.other)) / testVolts,
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
function idOf({ category, volts, size, base }: UnRow): string {
  const length = base === 'SV8.5' && size ? `-${size[0]}` : '';
  return `${slug(category)}${length}${volts === 24 ? '-24V' : ''}`;
}

/** Ids may not hold a slash: P21/5W becomes P21-5W. */
function slug(category: string): string {
  return category.replace('/', '-');
}
