import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { lampCentre, type Outline } from './planGeometry.ts';

export interface Point {
  x: number;
  y: number;
}

export interface LabelPlace {
  lampId: string;
  flank: 'left' | 'right';
  /** baseline of the name, px */
  y: number;
  /** from the lamp to beside its name */
  leader: readonly [from: Point, bend: Point, to: Point];
}

/** The names end this far from the edge of the plan, px. */
export const LABEL_EDGE = 104;
/** Before a name its leader runs level so far, and ends so far from it, px. */
const LEVEL_FROM = 18;
const LEVEL_TO = 5;
/** Each swap makes the leaders shorter together, so that it ends long before. */
const MOST_ROUNDS = 100;

/**
 * Names beside the vehicle: each on its lamp's flank, as near to its height as the others let it, none over another, and
 * no leader across another. Lamps in the middle go to the emptier flank.
 *
 * @param lineHeight from name to name at least, px
 * @param rise how far over the baseline of a name its leader ends, px
 */
export function labelPlaces(
  lamps: readonly Lamp[],
  outline: Outline,
  height: number,
  lineHeight: number,
  rise = 0,
): LabelPlace[] {
  const flanks = { left: [] as Lamp[], right: [] as Lamp[] };
  for (const lamp of lamps) if (lamp.side !== 'centre') flanks[lamp.side].push(lamp);
  // Those in the middle fill up the emptier flank; of them the ones farther left go left.
  const middle = lamps
    .filter((lamp) => lamp.side === 'centre')
    .toSorted((a, b) => a.plan.across - b.plan.across);
  const missing = Math.ceil((flanks.right.length - flanks.left.length + middle.length) / 2);
  const toLeft = Math.max(0, Math.min(middle.length, missing));
  flanks.left.push(...middle.slice(0, toLeft));
  flanks.right.push(...middle.slice(toLeft));
  const width = 2 * outline.left + outline.width;
  return (['left', 'right'] as const).flatMap((flank) => {
    const out = flank === 'left' ? -1 : 1;
    const edge = flank === 'left' ? LABEL_EDGE : width - LABEL_EDGE;
    const ends = flanks[flank]
      .map((lamp) => ({ lampId: lamp.id, from: lampCentre(lamp, outline) }))
      .toSorted((a, b) => a.from.y - b.from.y);
    const baselines = spread(
      ends.map(({ from }) => from.y),
      height,
      lineHeight,
    );
    const bends = baselines.map((y): Point => ({ x: edge - out * LEVEL_FROM, y: y - rise }));
    return uncrossed(ends, bends).map(({ lampId, from }, index): LabelPlace => {
      const bend = bends[index] as Point;
      return {
        lampId,
        flank,
        y: baselines[index] as number,
        leader: [from, bend, { x: edge - out * LEVEL_TO, y: bend.y }],
      };
    });
  });
}

/**
 * Whose names stand beside the plan where there is room for no more than so many on a flank: the lamp in hand, then one of
 * each function, then the others as they come.
 *
 * @param functionOf what a lamp does, in a word that those that do the same share
 */
export function namesThatFit(
  lamps: readonly Lamp[],
  perFlank: number,
  inHand: string | undefined,
  functionOf: (lamp: Lamp) => string,
): Lamp[] {
  const seen = new Set<string>();
  const rank = new Map(
    lamps.map((lamp) => {
      const what = `${lamp.side} ${functionOf(lamp)}`;
      const first = !seen.has(what);
      seen.add(what);
      return [lamp.id, lamp.id === inHand ? 0 : first ? 1 : 2];
    }),
  );
  // Those in the middle go to either flank.
  const middle = lamps.some((lamp) => lamp.side === 'centre') ? Math.ceil(perFlank / 8) : 0;
  const room = { left: perFlank - middle, right: perFlank - middle, centre: 2 * middle };
  const kept = new Set<string>();
  for (const { id, side } of lamps.toSorted((a, b) => (rank.get(a.id) ?? 2) - (rank.get(b.id) ?? 2))) {
    if (room[side] <= 0 && id !== inHand) continue;
    room[side] -= 1;
    kept.add(id);
  }
  return lamps.filter(({ id }) => kept.has(id));
}

/** Heights in rising order moved apart, and into what there is. */
function spread(wanted: readonly number[], height: number, lineHeight: number): number[] {
  const ys = [...wanted];
  let floor = lineHeight * 0.7;
  for (const [index, y] of ys.entries()) {
    ys[index] = Math.max(y, floor);
    floor = (ys[index] as number) + lineHeight;
  }
  let ceiling = height - lineHeight * 0.4;
  for (let index = ys.length - 1; index >= 0; index -= 1) {
    ys[index] = Math.min(ys[index] as number, ceiling);
    ceiling = (ys[index] as number) - lineHeight;
  }
  return ys;
}

/**
 * Which lamp each place goes to, so that no two leaders cross: two that do are swapped. The two sides of a triangle are
 * longer than its third, so that every swap shortens the leaders together, and it comes to an end.
 */
function uncrossed<End extends { from: Point }>(ends: readonly End[], places: readonly Point[]): End[] {
  const order = [...ends];
  for (let rounds = 0; rounds < MOST_ROUNDS; rounds += 1) if (!swapCrossed(order, places)) break;
  return order;
}

/** Goes once over every two, and tells whether any were swapped. */
function swapCrossed(order: { from: Point }[], places: readonly Point[]): boolean {
  let swapped = false;
  for (const [a, to] of places.entries()) {
    for (let b = a + 1; b < order.length; b += 1) {
      const [one, other, otherTo] = [order[a], order[b], places[b]];
      if (!one || !other || !otherTo || !cross(one.from, to, other.from, otherTo)) continue;
      order[a] = other;
      order[b] = one;
      swapped = true;
    }
  }
  return swapped;
}

/** Whether two lines, each from one point to another, have a point in common. */
export function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  const turn = (p: Point, q: Point, r: Point) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
}
