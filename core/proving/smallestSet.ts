/**
 * The fewest sets that cover everything any of them covers, and of as many the cheapest. Exact: the element that the fewest
 * sets cover is branched on, and what cannot get below the best known is left.
 *
 * @param sets each as the elements it covers
 * @param cost of each set, in any unit; 0 where it is left out
 * @returns places of the sets, in order
 */
export function smallestCover(sets: readonly ReadonlySet<number>[], cost: readonly number[] = []): number[] {
  const all = new Set(sets.flatMap((each) => [...each]));
  const covering = new Map(
    [...all].map((element) => [element, sets.flatMap((each, at) => (each.has(element) ? [at] : []))]),
  );
  const costOf = (some: readonly number[]) => some.reduce((sum, at) => sum + (cost[at] ?? 0), 0);
  let best = greedyCover(sets, all);
  let bestCost = costOf(best);
  const search = (chosen: readonly number[], spent: number, open: ReadonlySet<number>): void => {
    if (open.size === 0) {
      if (chosen.length < best.length || spent < bestCost) {
        best = [...chosen];
        bestCost = spent;
      }
      return;
    }
    const most = sets.reduce((top, each) => Math.max(top, countIn(each, open)), 0);
    const atLeast = chosen.length + Math.ceil(open.size / most);
    if (atLeast > best.length || (atLeast === best.length && spent >= bestCost)) return;
    let rarest: readonly number[] = [];
    for (const element of open) {
      const by = covering.get(element) ?? [];
      if (rarest.length === 0 || by.length < rarest.length) rarest = by;
    }
    for (const at of rarest) {
      const left = new Set([...open].filter((element) => !sets[at]?.has(element)));
      search([...chosen, at], spent + (cost[at] ?? 0), left);
    }
  };
  search([], 0, all);
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
