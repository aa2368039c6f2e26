/**
 * The fewest sets that cover everything any of them covers. Exact: the element that the fewest sets cover is branched on,
 * and what cannot get below the best known is left. Of equal ones the first in the order given is taken.
 *
 * @param sets each as the elements it covers
 * @returns places of the sets, in order
 */
export function smallestCover(sets: readonly ReadonlySet<number>[]): number[] {
  const all = new Set(sets.flatMap((each) => [...each]));
  const covering = new Map(
    [...all].map((element) => [element, sets.flatMap((each, at) => (each.has(element) ? [at] : []))]),
  );
  let best = greedyCover(sets, all);
  const search = (chosen: readonly number[], open: ReadonlySet<number>): void => {
    if (open.size === 0) {
      if (chosen.length < best.length) best = [...chosen];
      return;
    }
    const most = sets.reduce((top, each) => Math.max(top, countIn(each, open)), 0);
    if (chosen.length + Math.ceil(open.size / most) >= best.length) return;
    let rarest: readonly number[] = [];
    for (const element of open) {
      const by = covering.get(element) ?? [];
      if (rarest.length === 0 || by.length < rarest.length) rarest = by;
    }
    for (const at of rarest) {
      const left = new Set([...open].filter((element) => !sets[at]?.has(element)));
      search([...chosen, at], left);
    }
  };
  search([], all);
  return best.toSorted((a, b) => a - b);
}

function greedyCover(sets: readonly ReadonlySet<number>[], all: ReadonlySet<number>): number[] {
  const open = new Set(all);
  const chosen: number[] = [];
  while (open.size > 0) {
    let best = { at: -1, count: 0 };
    sets.forEach((each, at) => {
      const count = countIn(each, open);
      if (count > best.count) best = { at, count };
    });
    for (const element of sets[best.at] ?? []) open.delete(element);
    chosen.push(best.at);
  }
  return chosen;
}

function countIn(set: ReadonlySet<number>, open: ReadonlySet<number>): number {
  let count = 0;
  for (const element of open) if (set.has(element)) count += 1;
  return count;
}
