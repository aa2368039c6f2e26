import type { Bulb } from '../model/bulb.ts';
import { baseRecord } from './bases.ts';
import { BULBS } from './bulbs.ts';
import { fold } from './fold.ts';

/** What makers print behind a number that makes it no other bulb in its socket (common practice). */
const SUFFIXES = ['llk', 'll', 'lx', 'led', 'bp', 'ck', 'na', 'a', 'y', 'k', 'b'];
/** So many are offered. */
const MOST = 3;

/** A bulb that is called nearly as somebody wrote, and how it differs in words. */
export interface NearBulb {
  bulb: Bulb;
  differs: string;
}

/**
 * The bulbs whose names come nearest to one that the catalogue does not have: without what is printed behind the number, else
 * those that begin most alike.
 *
 * @param query what was typed; nothing like any name gives none
 */
export function nearBulbs(query: string): NearBulb[] {
  const wanted = fold(query);
  for (const suffix of SUFFIXES) {
    if (!wanted.endsWith(suffix)) continue;
    const bare = wanted.slice(0, -suffix.length);
    const [bulb] = BULBS.filter(({ names }) => names.some((name) => fold(name) === bare));
    if (bulb) return [{ bulb, differs: `as ${nameIn(bulb)}, without what “${suffix.toUpperCase()}” says` }];
  }
  const shared = (bulb: Bulb) => Math.max(...bulb.names.map((name) => sharedLetters(fold(name), wanted)));
  const most = Math.max(...BULBS.map(shared));
  if (most < 2) return [];
  return BULBS.filter((bulb) => shared(bulb) === most)
    .slice(0, MOST)
    .map((bulb) => ({ bulb, differs: nameIn(bulb) }));
}

/** `1157: bayonet 15 mm, offset pins, two contacts`. */
function nameIn({ names, base, glass }: Bulb): string {
  return `${names[0]} (${baseRecord(base).name.toLowerCase()}${glass === 'clear' ? '' : `, ${glass}`})`;
}

function sharedLetters(one: string, other: string): number {
  let count = 0;
  while (count < one.length && one[count] === other[count]) count += 1;
  return count;
}

/** `Nearest are H11 (…) and H1 (…).`; empty where nothing is like it. */
export function nearWords(query: string): string {
  const near = nearBulbs(query).map(({ differs }) => differs);
  return near.length > 0 ? `Nearest: ${near.join('; ')}.` : '';
}

/** Whether a bulb is a headlamp or fog capsule, which no signal lamp takes. */
export function isCapsule({ base }: Pick<Bulb, 'base'>): boolean {
  return baseRecord(base).capsule === true;
}
