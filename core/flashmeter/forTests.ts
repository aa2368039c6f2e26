/** Noise and recordings made from a seed, for tests: nothing here reads them. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A bell curve of standard deviation 1 by Box and Muller. */
export function bell(random: () => number): () => number {
  let kept: number | null = null;
  return () => {
    if (kept !== null) {
      const value = kept;
      kept = null;
      return value;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - random()));
    const angle = 2 * Math.PI * random();
    kept = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
