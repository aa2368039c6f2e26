/** Something that can be looked at, tried or measured, as far as the choice of it goes. */
export interface TestChoice<Supposed> {
  minutes: number;
  /** what it shows where this is so: outcomes with their shares, which add up to 1 */
  shows(supposed: Supposed): ReadonlyMap<string, number>;
}

/** One way things may be, how likely, and what follows from it: two from which the same follows need not be told apart. */
export interface Possibility<Supposed> {
  is: Supposed;
  weight: number;
  follows: string;
}

/** What is open among some ways things may be, bits. */
export function openBits<Supposed>(possible: readonly Possibility<Supposed>[]): number {
  const weights = new Map<string, number>();
  let total = 0;
  for (const { weight, follows } of possible) {
    weights.set(follows, (weights.get(follows) ?? 0) + weight);
    total += weight;
  }
  return total > 0 ? entropyBits(weights.values(), total) : 0;
}

/**
 * What one test tells of what follows, in the mean over its outcomes, bits.
 *
 * @param open what is open before it, see `openBits`
 */
export function toldBits<Supposed>(
  test: TestChoice<Supposed>,
  possible: readonly Possibility<Supposed>[],
  open: number,
): number {
  const outcomes = new Map<string, { weights: Map<string, number>; total: number }>();
  let all = 0;
  for (const { is, weight, follows } of possible) {
    all += weight;
    for (const [outcome, share] of test.shows(is)) {
      let group = outcomes.get(outcome);
      if (!group) {
        group = { weights: new Map(), total: 0 };
        outcomes.set(outcome, group);
      }
      group.weights.set(follows, (group.weights.get(follows) ?? 0) + weight * share);
      group.total += weight * share;
    }
  }
  let left = 0;
  for (const { weights, total } of outcomes.values())
    if (total > 0) left += (total / all) * entropyBits(weights.values(), total);
  return open - left;
}

/**
 * The one chooser of tests: of all, the one that tells most per minute.
 *
 * @param worth less than this is not worth a test, bits
 * @returns null where nothing tells enough
 */
export function bestTest<Supposed, T extends TestChoice<Supposed>>(
  tests: readonly T[],
  possible: readonly Possibility<Supposed>[],
  worth: number,
): { test: T; told: number } | null {
  const open = openBits(possible);
  let best: { test: T; told: number } | null = null;
  for (const test of tests) {
    const told = toldBits(test, possible, open);
    if (told >= worth && (!best || told / test.minutes > best.told / best.test.minutes))
      best = { test, told };
  }
  return best;
}

function entropyBits(weights: Iterable<number>, total: number): number {
  let bits = 0;
  for (const weight of weights) if (weight > 0) bits -= (weight / total) * Math.log2(weight / total);
  return bits;
}
