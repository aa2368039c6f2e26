import { seeded } from '../numerics/random.ts';

export { seeded };

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
