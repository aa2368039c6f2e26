import { z } from 'zod';
import { Amps, Fraction, Id, Line, Origin, SystemVolts, Volts, Watts } from './fields.ts';
import { Source } from './source.ts';

/** Lamp cap or base, named as IEC 60061 names it. */
export const BaseId = z.enum([
  'BA15s',
  'BAU15s',
  'BAY15d',
  'BA9s',
  'W3x16d',
  'WX3x16d',
  'W3x16q',
  'WX3x16q',
  'W2.5x16d',
  'W2.5x16q',
  'W2.1x9.5d',
  'W2x4.6d',
  'B8.5d',
  'BX8.5d',
  'SV8.5',
  'PK22s',
  'P14.5s',
  'P43t',
  'PX26d',
  'PGJ19-1',
  'PGJ19-2',
  'PGJ19-3',
  'PGJ19-5',
  'P20d',
  'P22d',
  'BAW15s',
  'BAW15d',
  'BAZ15d',
  'BAU15d',
  'BAX9s',
  'BAZ9s',
  'BAU9s',
  'BAUZ9s',
  'BAY9s',
  'BAW9s',
  'PG18.5d-1',
  'PG20-1',
  'PG20-2',
  'PG20-3',
  'PG20-4',
  'PG20-5',
  'PG20-6',
  'PG20-7',
  'PGU20-1',
  'PGU20-2',
  'PGU20-3',
  'PGU20-4',
  'PGU20-5',
  'PGU20-6',
  'PGU20-7',
  'PU20d-1',
  'PU20d-2',
  'PU20d-7',
  'PG13',
  'PGJ13',
  'WP3.3x14.5-1',
  'WP3.3x14.5-2',
  'WP3.3x14.5-3',
  'WP3.3x14.5-4',
  'WP3.3x14.5-5',
  'WP3.3x14.5-6',
  'WP3.3x14.5-7',
  'WP3.3x14.5-8',
  'WP3.3x14.5-9',
  'WP3.3x14.5-10',
  'WY2.5x16d',
  'WZ2.5x16d',
  'WW2.5x16d',
  'WY3x16q',
  'WZ3x16q',
  'P11.5d',
  'P26.4t',
]);
export type BaseId = z.infer<typeof BaseId>;

/** One filament as its standard rates it. */
export const FilamentRating = z.strictObject({
  /** `only` in single-filament bulbs; in twin bulbs `bright` (stop, turn) and `dim` (tail) */
  role: z.enum(['only', 'bright', 'dim']),
  /** volts at which `amps` and `lumens` hold: the standard's test voltage */
  testVolts: Volts,
  /** current at the test voltage */
  amps: Amps,
  /** `rated` where the standard prints the current, `typical` where it prints only a limit */
  ampsOrigin: Origin,
  /** the standard's upper limit at the test voltage, where there is one */
  maxWatts: Watts.optional(),
  /** luminous flux at the test voltage, lm */
  lumens: z.number().positive().max(5000),
  lumensTolerance: Fraction.optional(),
});
export type FilamentRating = z.infer<typeof FilamentRating>;

/** One bulb rating: bulbs that interchange but draw differently are separate records. */
export const Bulb = z.strictObject({
  id: Id,
  /** everything an installer may call it: UN category, trade numbers, older codes */
  names: z.array(Line).min(1),
  system: z.enum(['UN', 'SAE']),
  base: BaseId,
  systemVolts: SystemVolts,
  glass: z.enum(['clear', 'amber', 'red']),
  filaments: z.array(FilamentRating).min(1).max(2),
  /** over all, cap and pins or contacts included; a festoon from tip to tip, mm */
  lengthMm: z.number().positive().max(200),
  /** of the glass at its widest, mm */
  glassMm: z.number().positive().max(60),
  /** bulbs of one group fit each other's sockets and do the same work */
  interchange: Id.optional(),
  source: Source,
});
export type Bulb = z.infer<typeof Bulb>;
