/** A stop of a round, with the stops that must come before it. */
export interface Stop {
  id: string;
  after: readonly string[];
}

export interface Tour {
  order: readonly string[];
  /** from the start over all stops and back to the end */
  cost: number;
  /** no round is cheaper than this; the same as the cost where the round was searched exactly */
  atLeast: number;
}

/** Up to so many stops every order is weighed. */
export const EXACT_STOPS = 14;

/**
 * The cheapest round over all stops, from a start to an end, in which every stop comes after those it must. Exact up to
 * fourteen stops, by dynamic programming over the sets of stops done (Held and Karp, 1962); beyond, the nearest stop
 * first, then every stop moved and every stretch turned round as long as that is cheaper, with the cheapest tree that
 * joins all stops as the bound.
 *
 * @param cost from a stop to another; undefined is the start or the end
 * @returns null where what must come first goes in a circle
 */
export function cheapestTour(
  stops: readonly Stop[],
  cost: (from: string | undefined, to: string | undefined) => number,
): Tour | null {
  if (stops.length === 0)
    return { order: [], cost: cost(undefined, undefined), atLeast: cost(undefined, undefined) };
  const place = new Map(stops.map(({ id }, at) => [id, at]));
  const before = stops.map(({ after }) =>
    after.reduce((mask, id) => mask | (place.has(id) ? 1 << (place.get(id) ?? 0) : 0), 0),
  );
  return stops.length <= EXACT_STOPS ? exactTour(stops, before, cost) : movedTour(stops, cost);
}

function exactTour(
  stops: readonly Stop[],
  before: readonly number[],
  cost: (from: string | undefined, to: string | undefined) => number,
): Tour | null {
  const count = stops.length;
  const sets = 1 << count;
  const ids = stops.map(({ id }) => id);
  const between = Float64Array.from(ids.flatMap((from) => ids.map((to) => cost(from, to))));
  const least = new Float64Array(sets * count).fill(Number.POSITIVE_INFINITY);
  const from = new Int8Array(sets * count).fill(-1);
  for (let stop = 0; stop < count; stop += 1)
    if (before[stop] === 0) least[(1 << stop) * count + stop] = cost(undefined, ids[stop]);
  for (let done = 1; done < sets; done += 1) {
    for (let last = 0; last < count; last += 1) {
      const here = least[done * count + last] as number;
      if (here === Number.POSITIVE_INFINITY) continue;
      for (let next = 0; next < count; next += 1) {
        if (done & (1 << next) || ((before[next] as number) & done) !== before[next]) continue;
        const to = (done | (1 << next)) * count + next;
        const worth = here + (between[last * count + next] as number);
        if (worth < (least[to] as number)) {
          least[to] = worth;
          from[to] = last;
        }
      }
    }
  }
  let best = { last: -1, cost: Number.POSITIVE_INFINITY };
  for (let last = 0; last < count; last += 1) {
    const whole = (least[(sets - 1) * count + last] as number) + cost(ids[last], undefined);
    if (whole < best.cost) best = { last, cost: whole };
  }
  if (best.last < 0) return null;
  const order: string[] = [];
  for (let done = sets - 1, last = best.last; last >= 0; ) {
    order.push(ids[last] as string);
    const came = from[done * count + last] as number;
    done &= ~(1 << last);
    last = came;
  }
  return { order: order.reverse(), cost: best.cost, atLeast: best.cost };
}

function movedTour(
  stops: readonly Stop[],
  cost: (from: string | undefined, to: string | undefined) => number,
): Tour | null {
  const started = nearestFirst(stops, cost);
  if (!started) return null;
  const must = new Map(stops.map(({ id, after }) => [id, after]));
  let best = { order: started, cost: lengthOf(started, cost) };
  for (let better = true; better; ) {
    better = false;
    for (const order of neighbours(best.order)) {
      if (!allowed(order, must)) continue;
      const worth = lengthOf(order, cost);
      if (worth < best.cost - 1e-9) {
        best = { order, cost: worth };
        better = true;
        break;
      }
    }
  }
  return { ...best, atLeast: Math.min(best.cost, treeCost(stops, cost)) };
}

/** Every order with one stop elsewhere, or one stretch the other way round. */
function* neighbours(order: readonly string[]): Generator<string[]> {
  for (let at = 0; at < order.length; at += 1) {
    for (let to = at + 1; to < order.length; to += 1) {
      yield [...order.slice(0, at), ...order.slice(at, to + 1).reverse(), ...order.slice(to + 1)];
      const without = [...order.slice(0, at), ...order.slice(at + 1)];
      yield [...without.slice(0, to), order[at] as string, ...without.slice(to)];
      const earlier = [...order.slice(0, to), ...order.slice(to + 1)];
      yield [...earlier.slice(0, at), order[to] as string, ...earlier.slice(at)];
    }
  }
}

function allowed(order: readonly string[], must: ReadonlyMap<string, readonly string[]>): boolean {
  const done = new Set<string>();
  for (const id of order) {
    if (must.get(id)?.some((each) => must.has(each) && !done.has(each))) return false;
    done.add(id);
  }
  return true;
}

function nearestFirst(
  stops: readonly Stop[],
  cost: (from: string | undefined, to: string | undefined) => number,
): string[] | null {
  const known = new Set(stops.map(({ id }) => id));
  const order: string[] = [];
  const left = new Map(stops.map((stop) => [stop.id, stop]));
  for (let last: string | undefined; left.size > 0; ) {
    const ready = [...left.values()].filter(({ after }) =>
      after.every((id) => !known.has(id) || !left.has(id)),
    );
    if (ready.length === 0) return null;
    const next = ready.reduce((best, each) => (cost(last, each.id) < cost(last, best.id) ? each : best));
    order.push(next.id);
    left.delete(next.id);
    last = next.id;
  }
  return order;
}

/** What one order of stops costs, from the start to the end, in the units of `cost`. */
export function lengthOf(
  order: readonly string[],
  cost: (from: string | undefined, to: string | undefined) => number,
): number {
  let sum = 0;
  let last: string | undefined;
  for (const id of order) {
    sum += cost(last, id);
    last = id;
  }
  return sum + cost(last, undefined);
}

/** What the cheapest tree that joins the start and all stops costs: no round that visits all is cheaper. */
function treeCost(
  stops: readonly Stop[],
  cost: (from: string | undefined, to: string | undefined) => number,
): number {
  const far = new Map<string, number>(stops.map(({ id }) => [id, cost(undefined, id)]));
  let sum = 0;
  while (far.size > 0) {
    const [id, least] = [...far].reduce((best, each) => (each[1] < best[1] ? each : best));
    sum += least;
    far.delete(id);
    for (const [other, known] of far) far.set(other, Math.min(known, cost(id, other)));
  }
  return sum;
}
