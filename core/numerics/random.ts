/** A draw, uniform on [0, 1). */
export type Random = () => number;

/** Draws that are the same for the same seed, on every machine (mulberry32, public domain). */
export function seeded(seed: number): Random {
  let state = seed >>> 0 || 1;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A draw near enough to a bell curve of standard deviation 1: the sum of three even draws. */
export function nearBell(random: Random): number {
  return 2 * (random() + random() + random() - 1.5);
}

/** One of some, each as likely. @throws RangeError of none */
export function oneOf<T>(random: Random, some: readonly T[]): T {
  const found = some[Math.floor(random() * some.length)];
  if (found === undefined) throw new RangeError('there is nothing to draw from');
  return found;
}

/** The same in an order that is as likely as any other (Fisher and Yates). */
export function shuffled<T>(random: Random, some: readonly T[]): T[] {
  const left = [...some];
  for (let at = left.length - 1; at > 0; at--) {
    const other = Math.floor(random() * (at + 1));
    [left[at], left[other]] = [left[other] as T, left[at] as T];
  }
  return left;
}
