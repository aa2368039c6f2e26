import { isList, type Json } from './leaves.ts';

/**
 * The items of two lists in one order: what both have as the first has it, and what only one has behind what it stood
 * behind there; of several at one place the earlier first.
 *
 * @param items by their keys; one with a time is put by it
 */
export function mergedOrder(
  first: readonly string[],
  second: readonly string[],
  items: ReadonlyMap<string, Json>,
): string[] {
  const common = new Set(first.filter((key) => second.includes(key)));
  const [a, b] = [runs(first, common), runs(second, common)];
  const anchors = [null, ...first.filter((key) => common.has(key))];
  return anchors.flatMap((anchor) => {
    const here = [a.get(anchor) ?? [], b.get(anchor) ?? []].filter((run) => run.length > 0);
    const sorted = here.toSorted((x, y) => compare(x[0] as string, y[0] as string, items));
    return [...(anchor === null ? [] : [anchor]), ...sorted.flat()];
  });
}

/** What stands behind each of the common items, and before all of them. */
function runs(keys: readonly string[], common: ReadonlySet<string>): Map<string | null, string[]> {
  const found = new Map<string | null, string[]>();
  let anchor: string | null = null;
  for (const key of keys) {
    if (common.has(key)) anchor = key;
    else found.set(anchor, [...(found.get(anchor) ?? []), key]);
  }
  return found;
}

function compare(a: string, b: string, items: ReadonlyMap<string, Json>): number {
  const [atA, atB] = [timeOf(items.get(a)), timeOf(items.get(b))];
  if (atA !== atB) return atA < atB ? -1 : 1;
  return a < b ? -1 : 1;
}

function timeOf(item: Json | undefined): string {
  if (typeof item !== 'object' || item === null || isList(item)) return '';
  return typeof item.at === 'string' ? item.at : '';
}
