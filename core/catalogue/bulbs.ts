import type { Bulb, FilamentRating } from '../model/bulb.ts';
import { SAE_BULBS } from './bulbsSae.ts';
import { UN_BULBS } from './bulbsUn.ts';
import { fold } from './fold.ts';

export const BULBS: readonly Bulb[] = [...UN_BULBS, ...SAE_BULBS];

const byId = new Map(BULBS.map((bulb) => [bulb.id, bulb]));

/** The bulb with this catalogue id, or undefined. */
export function bulbById(id: string): Bulb | undefined {
  return byId.get(id);
}

/**
 * The filament a stop or turn circuit feeds: the only one, or the bright one of a twin bulb.
 *
 * @throws Error for a bulb that has none
 */
export function signalFilament(bulb: Bulb): FilamentRating {
  const filament = bulb.filaments.find((candidate) => candidate.role !== 'dim');
  if (!filament) throw new Error(`Bulb ${bulb.id} has no bright filament`);
  return filament;
}

/** Power of a filament at its test voltage, W. */
export function filamentWatts(filament: FilamentRating): number {
  return filament.testVolts * filament.amps;
}

/** What a UN category is called by, W: 21 of P21W and P21/5W; null for names that say nothing of it. */
export function ratedWatts({ id, system }: Bulb): number | null {
  const named = system === 'UN' ? /^[A-Z]+(\d+)(?:[/-]\d+)?W(?:-24V)?$/.exec(id) : null;
  return named?.[1] ? Number(named[1]) : null;
}

/** Bulbs that fit the same socket and do the same work, this one left out. */
export function interchangeable(bulb: Bulb): Bulb[] {
  return BULBS.filter(
    (other) =>
      other.id !== bulb.id && bulb.interchange !== undefined && other.interchange === bulb.interchange,
  );
}

/**
 * Finds bulbs by any of their names or by base: `P21W`, `p21/5w`, `1156`, `ba15s`, `501`.
 * Case, spaces, dots, dashes and slashes do not matter. Exact names come first, then bases, then beginnings.
 *
 * @param query what the installer typed; empty gives the whole catalogue
 */
export function findBulbs(query: string): Bulb[] {
  const wanted = fold(query);
  if (wanted === '') return [...BULBS];
  return BULBS.map((bulb) => ({ bulb, rank: rankOf(bulb, wanted) }))
    .filter((hit) => hit.rank < Number.POSITIVE_INFINITY)
    .sort((a, b) => a.rank - b.rank)
    .map((hit) => hit.bulb);
}

function rankOf(bulb: Bulb, wanted: string): number {
  const names = bulb.names.map(fold);
  if (names.includes(wanted)) return 0;
  if (fold(bulb.base) === wanted) return 1;
  if (names.some((name) => name.startsWith(wanted))) return 2;
  if (fold(bulb.base).startsWith(wanted)) return 3;
  return Number.POSITIVE_INFINITY;
}
