/** A check as the plan takes it: what it shows of each way things may be, by place in the list, nobody mistaken. */
export interface PlainCheck {
  minutes: number;
  shows: readonly string[];
}

/** More ways than this have too many sets of them to go through. */
export const EXACT_WAYS = 10;

/**
 * The first check of the plan that tells some ways apart in the fewest minutes, in the mean over their weights: no plan is
 * shorter. By dynamic programming over all sets of ways (the optimal decision tree; exact, since every check parts a set
 * into what it shows).
 *
 * @param weights of at most `EXACT_WAYS` ways
 * @returns its place in the list, or null where no check tells any apart; and the minutes of the whole plan, weighted
 * @throws RangeError for more ways
 */
export function exactPlan(
  weights: readonly number[],
  checks: readonly PlainCheck[],
): { first: number | null; minutes: number } {
  if (weights.length > EXACT_WAYS) throw new RangeError(`at most ${EXACT_WAYS} ways, not ${weights.length}`);
  const known = new Map<number, { first: number | null; minutes: number }>();
  const cost = (set: number): { first: number | null; minutes: number } => {
    const before = known.get(set);
    if (before) return before;
    let best: { first: number | null; minutes: number } = { first: null, minutes: Number.POSITIVE_INFINITY };
    const weight = weights.reduce((sum, each, at) => sum + (set & (1 << at) ? each : 0), 0);
    checks.forEach((check, at) => {
      if (check.minutes * weight >= best.minutes) return;
      const parts = parted(set, weights.length, check);
      if (parts.length < 2) return;
      const minutes = parts.reduce((sum, part) => sum + cost(part).minutes, check.minutes * weight);
      if (minutes < best.minutes) best = { first: at, minutes };
    });
    const found = best.first === null ? { first: null, minutes: 0 } : best;
    known.set(set, found);
    return found;
  };
  return cost((1 << weights.length) - 1);
}

/** Ways of a set parted by what a check shows, each part as bits. */
function parted(set: number, count: number, { shows }: PlainCheck): number[] {
  const parts = new Map<string, number>();
  for (let at = 0; at < count; at += 1) {
    if (!(set & (1 << at))) continue;
    const label = shows[at] ?? '';
    parts.set(label, (parts.get(label) ?? 0) | (1 << at));
  }
  return [...parts.values()];
}
