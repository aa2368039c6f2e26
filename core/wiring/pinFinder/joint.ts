/** A function as far as the joint map goes: in how many cavities it may be. */
export interface Placed {
  most: number;
  /** weight of one cavity more that has it, the first left out: a second earth is rarer than a first */
  again: number;
  /** weight of a plug that does not have it at all */
  missing: number;
}

export interface JointMap {
  /** for each cavity and function, how likely it is, 0 to 1 */
  marginals: readonly (readonly number[])[];
  /** the likeliest map: for each cavity the place of its function */
  likeliest: readonly number[];
  /** how likely just that map is, 0 to 1 */
  probability: number;
}

/** So many sets of used functions are summed; no plug of a lamp or of a corner has more. */
const MOST_STATES = 1 << 14;
/** A third cavity of one wire is not told from a fourth. */
const MOST_AGAIN = 3;

/**
 * How often each function is counted. A plug of so many functions that all sets of them cannot be summed has its last ones
 * counted as often as they agree: less is then known of it, nothing that is not so.
 */
function boundedCounts(functions: readonly Placed[], cavities: number): number[] {
  let states = 1;
  return functions.map(({ most }) => {
    if (!Number.isFinite(most)) return 0;
    const count = Math.min(most, cavities, MOST_AGAIN);
    if (states * (count + 1) > MOST_STATES) return 0;
    states *= count + 1;
    return count;
  });
}

/**
 * Cavities and functions joined: how likely each map is of which cavity is for what, given for each cavity how well every
 * function agrees with what was read there, and that no function is there twice unless it may be. Exact: forwards and
 * backwards over the cavities with how often each function was used, as one sums the states of a hidden Markov chain.
 *
 * @param agrees by cavity, then by function: its weight by what was read and by colour
 * @param functions those with no bound on their number last or anywhere
 */
export function jointMap(agrees: readonly (readonly number[])[], functions: readonly Placed[]): JointMap {
  const cavities = agrees.length;
  const counts = boundedCounts(functions, cavities);
  const strides: number[] = [];
  let states = 1;
  for (const count of counts) {
    strides.push(states);
    states *= count + 1;
  }
  const usedOf = (state: number, place: number) =>
    Math.floor(state / (strides[place] ?? 1)) % ((counts[place] ?? 0) + 1);
  const unbounded = (place: number) => !Number.isFinite(functions[place]?.most ?? 0);
  /** what follows a state when one more cavity is for a function: the next state and the weight of it */
  const step = (state: number, place: number): { next: number; weight: number } | null => {
    const again = functions[place]?.again ?? 0;
    if ((counts[place] ?? 0) === 0) return { next: state, weight: unbounded(place) ? again : 1 };
    const used = usedOf(state, place);
    if (used >= (counts[place] ?? 0)) return null;
    return { next: state + (strides[place] ?? 0), weight: used === 0 ? 1 : again };
  };
  const end = new Float64Array(states);
  for (let state = 0; state < states; state += 1) {
    let weight = 1;
    functions.forEach(({ missing }, place) => {
      if ((counts[place] ?? 0) > 0 && usedOf(state, place) === 0) weight *= missing;
    });
    end[state] = weight;
  }

  const scaled = agrees.map((row) => {
    const top = Math.max(...row, Number.MIN_VALUE);
    return row.map((value) => value / top);
  });
  const backward: Float64Array[] = [];
  const best: Float64Array[] = [];
  backward[cavities] = end;
  best[cavities] = end;
  for (let cavity = cavities - 1; cavity >= 0; cavity -= 1) {
    const sum = new Float64Array(states);
    const top = new Float64Array(states);
    for (let state = 0; state < states; state += 1) {
      for (let place = 0; place < functions.length; place += 1) {
        const to = step(state, place);
        if (!to) continue;
        const weight = (scaled[cavity]?.[place] ?? 0) * to.weight;
        sum[state] = (sum[state] ?? 0) + weight * (backward[cavity + 1]?.[to.next] ?? 0);
        top[state] = Math.max(top[state] ?? 0, weight * (best[cavity + 1]?.[to.next] ?? 0));
      }
    }
    backward[cavity] = sum;
    best[cavity] = top;
  }

  const marginals: number[][] = [];
  const likeliest: number[] = [];
  let forward = new Float64Array(states);
  forward[0] = 1;
  let at = 0;
  for (let cavity = 0; cavity < cavities; cavity += 1) {
    const row = functions.map(() => 0);
    const next = new Float64Array(states);
    for (let state = 0; state < states; state += 1) {
      const here = forward[state] ?? 0;
      if (here === 0) continue;
      for (let place = 0; place < functions.length; place += 1) {
        const to = step(state, place);
        if (!to) continue;
        const weight = here * (scaled[cavity]?.[place] ?? 0) * to.weight;
        next[to.next] = (next[to.next] ?? 0) + weight;
        row[place] = (row[place] ?? 0) + weight * (backward[cavity + 1]?.[to.next] ?? 0);
      }
    }
    const total = row.reduce((sum, value) => sum + value, 0);
    marginals.push(row.map((value) => (total > 0 ? value / total : 1 / functions.length)));
    let chosen = { place: 0, next: at, worth: -1 };
    functions.forEach((_, place) => {
      const to = step(at, place);
      if (!to) return;
      const worth = (scaled[cavity]?.[place] ?? 0) * to.weight * (best[cavity + 1]?.[to.next] ?? 0);
      if (worth > chosen.worth) chosen = { place, next: to.next, worth };
    });
    likeliest.push(chosen.place);
    at = chosen.next;
    // Kept near 1, so that many readings do not run out of digits.
    const height = next.reduce((most, value) => Math.max(most, value), Number.MIN_VALUE);
    forward = next.map((value) => value / height);
  }
  const all = backward[0]?.[0] ?? 0;
  return { marginals, likeliest, probability: all > 0 ? (best[0]?.[0] ?? 0) / all : 0 };
}
