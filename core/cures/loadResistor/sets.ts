import type { ResistorNetwork } from '../../model/cures.ts';
import type { OhmsInterval } from './interval.ts';
import { MOST_PIECES, type Stock } from './stock.ts';

type Connection = ResistorNetwork['connection'];

/** The number of multisets of one to four there are of so many values. */
export function setsThereAre(values: number): number {
  let sets = 0;
  let ofSize = 1;
  for (let size = 1; size <= MOST_PIECES; size += 1) {
    ofSize = (ofSize * (values + size - 1)) / size;
    sets += ofSize;
  }
  return sets;
}

/** The list by what adds up: ohms in a row, siemens side by side; and what the sum may be. */
function measured(stock: readonly Stock[], connection: Connection, { minOhms, maxOhms }: OhmsInterval) {
  const [low, high] = connection === 'series' ? [minOhms, maxOhms] : [1 / maxOhms, 1 / minOhms];
  return {
    sorted: stock
      .map((each, order) => ({ each, order, size: connection === 'series' ? each.ohms : 1 / each.ohms }))
      .toSorted((a, b) => a.size - b.size),
    // The exact check comes after, with the tolerance: rounding here must not lose a set on the edge.
    least: low * (1 - 1e-9),
    most: high * (1 + 1e-9),
  };
}

/**
 * Every set of so many pieces or fewer whose printed value can be within the interval, in the order of the list. Ohms in a
 * row and conductances side by side add up, so that with the values in order whole branches are ruled out by their sum.
 * One alone counts as side by side.
 *
 * @param fewest pieces a set must have
 */
export function* setsWithin(
  stock: readonly Stock[],
  connection: Connection,
  interval: OhmsInterval,
  fewest = 1,
): Generator<readonly Stock[]> {
  const { sorted, least, most } = measured(stock, connection, interval);
  const largest = sorted.at(-1)?.size ?? 0;
  const from = connection === 'parallel' ? fewest : Math.max(2, fewest);

  function* extend(at: number, head: typeof sorted, sum: number): Generator<readonly Stock[]> {
    const room = MOST_PIECES - head.length - 1;
    for (let index = at; index < sorted.length; index += 1) {
      const next = sorted[index];
      if (!next || sum + next.size > most) return;
      if (sum + next.size + room * largest < least) continue;
      const set = [...head, next];
      if (sum + next.size >= least && set.length >= from)
        yield set.toSorted((a, b) => a.order - b.order).map(({ each }) => each);
      if (room > 0) yield* extend(index, set, sum + next.size);
    }
  }
  yield* extend(0, [], 0);
}

/**
 * Of the pairs, singles too, whose printed value can be within the interval those with the most ohms, which have the least
 * heat: about so many, however many there are. The sum up to which there are that many is found by halving, each time
 * counted in one walk along the list.
 */
export function* pairsOfMostOhms(
  stock: readonly Stock[],
  connection: Connection,
  interval: OhmsInterval,
  about: number,
): Generator<readonly Stock[]> {
  const { sorted, least, most } = measured(stock, connection, interval);
  if (connection === 'parallel')
    for (const { each, size } of sorted) if (size >= least && size <= most) yield [each];
  // Most ohms: the largest sums of ohms, the least of siemens.
  const span = (share: number): [number, number] =>
    connection === 'series' ? [most - share * (most - least), most] : [least, least + share * (most - least)];
  const sizes = sorted.map(({ size }) => size);
  let [low, high] = [0, 1];
  if (pairsBetween(sizes, ...span(1)) > about)
    for (let halving = 0; halving < 40; halving += 1) {
      const middle = (low + high) / 2;
      if (pairsBetween(sizes, ...span(middle)) > about) high = middle;
      else low = middle;
    }
  else low = 1;
  const [from, to] = span(low);
  for (let index = 0; index < sorted.length; index += 1) {
    const one = sorted[index];
    if (!one) break;
    for (let at = Math.max(index, firstFrom(sizes, from - one.size)); at < sorted.length; at += 1) {
      const other = sorted[at];
      if (!other || one.size + other.size > to) break;
      yield one.order <= other.order ? [one.each, other.each] : [other.each, one.each];
    }
  }
}

/** How many pairs, one with itself too, of sorted sizes have a sum from so much to so much. */
function pairsBetween(sizes: readonly number[], from: number, to: number): number {
  return pairsBelow(sizes, to, true) - pairsBelow(sizes, from, false);
}

function pairsBelow(sizes: readonly number[], sum: number, included: boolean): number {
  let pairs = 0;
  let end = sizes.length;
  for (let index = 0; index < sizes.length; index += 1) {
    const room = sum - (sizes[index] ?? 0);
    while (end > 0 && (included ? (sizes[end - 1] ?? 0) > room : (sizes[end - 1] ?? 0) >= room)) end -= 1;
    if (end <= index) break;
    pairs += end - index;
  }
  return pairs;
}

/** The first place in sorted sizes at which there is so much. */
function firstFrom(sizes: readonly number[], size: number): number {
  let [low, high] = [0, sizes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sizes[middle] ?? 0) < size) low = middle + 1;
    else high = middle;
  }
  return low;
}
