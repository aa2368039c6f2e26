import { Children, startTransition, useEffect, useState } from 'react';

/**
 * Draws its children one after another with a frame between them: the first is there at once, and a phone stays
 * answerable while the rest of a long screen is built and laid out.
 *
 * @param begin how many are drawn at once; 0 where they stand beside or below something that comes first
 */
export function Gradually({ begin = 1, children }: { begin?: number; children: React.ReactNode }) {
  const all = Children.toArray(children);
  const [drawn, setDrawn] = useState(begin);
  const more = drawn < all.length;
  // biome-ignore lint/correctness/useExhaustiveDependencies: one more after each that was drawn
  useEffect(() => {
    if (!more) return;
    let timer = 0;
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(() => startTransition(() => setDrawn((before) => before + 1)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [more, drawn]);
  return all.slice(0, drawn);
}
