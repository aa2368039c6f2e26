import type { Evidence } from '../model/evidence.ts';
import { type Json, same } from './leaves.ts';

/**
 * Two copies of a log as one: each record once, in an order that hangs on the records alone, so that every device comes to
 * the same. A record's counter is higher than that of any record known where it was told, so what was told knowing of
 * another stands behind it; of two that knew nothing of each other the earlier by the clock is first. Records of before
 * there were counters come first, in the order they have.
 */
export function mergedLogs(mine: readonly Evidence[], theirs: readonly Evidence[]): readonly Evidence[] {
  const all = new Map<string, Evidence>();
  for (const each of [...mine, ...theirs]) {
    const there = all.get(each.id);
    all.set(each.id, there ? oneOf(there, each) : each);
  }
  if (all.size === mine.length && mine.every((each) => all.get(each.id) === each)) return mine;
  if (all.size === theirs.length && theirs.every((each) => all.get(each.id) === each)) return theirs;
  const uncounted = placesOf(mine, theirs);
  const counts = new Map<string, number>();
  const keyed = [...all.values()].map((each) => ({ each, count: countOf(each, all, counts, new Set()) }));
  return keyed
    .toSorted(
      (a, b) =>
        a.count - b.count ||
        (uncounted.get(a.each.id) ?? 0) - (uncounted.get(b.each.id) ?? 0) ||
        compare(a.each.at, b.each.at) ||
        compare(a.each.device?.id ?? '', b.each.device?.id ?? '') ||
        compare(a.each.id, b.each.id),
    )
    .map(({ each }) => each);
}

/** A record never changes; of two that say they are the same and are not, always the same one. */
function oneOf(a: Evidence, b: Evidence): Evidence {
  if (same(a as Json, b as Json)) return a;
  return JSON.stringify(a) > JSON.stringify(b) ? a : b;
}

/** The places of the records without a counter, where both copies have the same; else their times say. */
function placesOf(mine: readonly Evidence[], theirs: readonly Evidence[]): ReadonlyMap<string, number> {
  const plain = (log: readonly Evidence[]) => log.flatMap(({ id, device }) => (device === null ? [id] : []));
  const [a, b] = [plain(mine), plain(theirs)];
  return same(a, b) ? new Map(a.map((id, index) => [id, index])) : new Map();
}

/** The counter of a record, above that of what it speaks of whatever an earlier build had counted. */
function countOf(
  each: Evidence,
  all: ReadonlyMap<string, Evidence>,
  known: Map<string, number>,
  asked: ReadonlySet<string>,
): number {
  const counted = known.get(each.id);
  if (counted !== undefined) return counted;
  const named = each.kind === 'mark' ? each.of : each.replaces;
  const before = named === undefined ? undefined : all.get(named);
  // Two records that name each other are a stranger's.
  const after =
    before && !asked.has(before.id) ? 1 + countOf(before, all, known, new Set([...asked, each.id])) : 0;
  const count = Math.max(each.device?.count ?? 0, each.device === null ? 0 : after);
  known.set(each.id, count);
  return count;
}

function compare(a: string, b: string): number {
  return a < b ? -1 : Number(a > b);
}
