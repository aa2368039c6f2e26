import { length } from '../formatting/units.ts';
import type { Bulb } from '../model/bulb.ts';
import type { SystemVolts } from '../model/fields.ts';
import { acrossMm, BASE_DRAWINGS } from './baseDrawings.ts';
import { baseRecord } from './bases.ts';
import { BULBS, filamentWatts, findBulbs, interchangeable, signalFilament } from './bulbs.ts';

/** What somebody holding a bulb can tell of it; whatever is left out does not matter. */
export interface BulbSearch {
  /** a number or name on it, or the name of its base */
  name?: string;
  base?: Bulb['base'];
  glassMm?: number;
  lengthMm?: number;
  /** across shell, wedge, cap or disc */
  baseMm?: number;
  filaments?: 1 | 2;
  systemVolts?: SystemVolts;
}

/** How far a hand with a rule may be off, mm. */
const GLASS_OFF = 2;
const LENGTH_OFF = 3;
const BASE_OFF = 1;

/** The bulbs that answer a description, best first: named hits by name, measured ones by how near they measure. */
export function searchBulbs(search: BulbSearch): Bulb[] {
  const named = search.name?.trim() ? findBulbs(search.name) : [...BULBS];
  const off = (measured: number | undefined, of: number) =>
    measured === undefined ? 0 : Math.abs(measured - of);
  const distance = (bulb: Bulb) =>
    off(search.glassMm, bulb.glassMm) / GLASS_OFF +
    off(search.lengthMm, bulb.lengthMm) / LENGTH_OFF +
    off(search.baseMm, acrossMm(BASE_DRAWINGS[bulb.base])) / BASE_OFF;
  const found = named.filter(
    (bulb) =>
      (search.base === undefined || bulb.base === search.base) &&
      (search.systemVolts === undefined || bulb.systemVolts === search.systemVolts) &&
      (search.filaments === undefined || bulb.filaments.length === search.filaments) &&
      off(search.glassMm, bulb.glassMm) <= GLASS_OFF &&
      off(search.lengthMm, bulb.lengthMm) <= LENGTH_OFF &&
      off(search.baseMm, acrossMm(BASE_DRAWINGS[bulb.base])) <= BASE_OFF,
  );
  const measured = [search.glassMm, search.lengthMm, search.baseMm].some((each) => each !== undefined);
  return measured ? found.toSorted((a, b) => distance(a) - distance(b)) : found;
}

/** How one bulb differs from another that may stand in for it, each in a few words with its figures. */
export function differences(from: Bulb, to: Bulb): string[] {
  const found: string[] = [];
  const [a, b] = [signalFilament(from), signalFilament(to)];
  if (from.base !== to.base) {
    const pins = (bulb: Bulb) => BASE_DRAWINGS[bulb.base].pins;
    const [pa, pb] = [pins(from), pins(to)];
    found.push(
      pa && pb && pa.degrees[1] !== pb.degrees[1]
        ? `pins at ${pb.degrees[1]}° instead of ${pa.degrees[1]}°`
        : `base ${to.base} instead of ${from.base}`,
    );
  }
  if (from.systemVolts !== to.systemVolts) found.push(`${to.systemVolts} V instead of ${from.systemVolts} V`);
  if (from.filaments.length !== to.filaments.length)
    found.push(to.filaments.length === 2 ? 'two filaments instead of one' : 'one filament instead of two');
  if (Math.abs(a.amps - b.amps) > 0.02)
    found.push(
      `draws ${b.amps.toFixed(2)} A at ${b.testVolts} V instead of ${a.amps.toFixed(2)} A at ${a.testVolts} V`,
    );
  if (Math.abs(filamentWatts(a) - filamentWatts(b)) > 0.15 * filamentWatts(a))
    found.push(`${filamentWatts(b).toFixed(0)} W instead of ${filamentWatts(a).toFixed(0)} W`);
  if (Math.abs(from.lengthMm - to.lengthMm) > 1)
    found.push(
      `${length(Math.round(Math.abs(to.lengthMm - from.lengthMm)))} ${to.lengthMm > from.lengthMm ? 'longer' : 'shorter'}`,
    );
  if (Math.abs(from.glassMm - to.glassMm) > 1)
    found.push(`glass of ${length(to.glassMm)} instead of ${length(from.glassMm)}`);
  if (from.glass !== to.glass) found.push(`${to.glass} glass`);
  return found;
}

/**
 * Bulbs that get taken for a given one: those that interchange, and those whose cap is so alike that a hand takes the
 * wrong one (pins at 150° for 180°, another wattage in the same base).
 */
export function lookAlikes(bulb: Bulb): { bulb: Bulb; interchanges: boolean; differs: string[] }[] {
  const interchange = interchangeable(bulb);
  const alike = BULBS.filter(
    (other) =>
      other.id !== bulb.id &&
      !interchange.includes(other) &&
      other.systemVolts === bulb.systemVolts &&
      BASE_DRAWINGS[other.base].outline.kind === BASE_DRAWINGS[bulb.base].outline.kind &&
      acrossMm(BASE_DRAWINGS[other.base]) === acrossMm(BASE_DRAWINGS[bulb.base]) &&
      Math.abs(other.glassMm - bulb.glassMm) < 3,
  );
  return [
    ...interchange.map((other) => ({ bulb: other, interchanges: true, differs: differences(bulb, other) })),
    ...alike.map((other) => ({ bulb: other, interchanges: false, differs: differences(bulb, other) })),
  ];
}

/** What the number on a bulb does not tell, and how to find out. */
export function numberCannotTell(bulb: Bulb): string[] {
  const notes: string[] = [];
  if (baseRecord(bulb.base).ck)
    notes.push('Whether its socket is wired standard or CK: look which contacts are earth.');
  if (bulb.filaments.length === 2)
    notes.push(
      'Whether the vehicle feeds both filaments from one wire: with the meter, see if both contacts come alive together.',
    );
  if (bulb.base === 'SV8.5')
    notes.push('Its length, unless it was measured: festoons of one wattage come in several.');
  return notes;
}

export type EarthCheck = 'standard' | 'ck' | 'measure-again';

/** Contacts of a twin wedge socket: two on each flank. */
export const SOCKET_CORNERS = ['upper left', 'upper right', 'lower left', 'lower right'] as const;

/**
 * How a twin wedge socket is wired, from the two contacts that are earth: on opposite corners standard, on one flank
 * CK (common practice). Two at one end are neither.
 *
 * @param earths places in `SOCKET_CORNERS`: upper and lower are the flanks
 */
export function wiringFromEarths(earths: readonly [number, number]): EarthCheck {
  const [a, b] = earths;
  const flank = (corner: number) => Math.floor(corner / 2);
  const end = (corner: number) => corner % 2;
  if (a === b) return 'measure-again';
  if (flank(a) === flank(b)) return 'ck';
  return end(a) === end(b) ? 'measure-again' : 'standard';
}
