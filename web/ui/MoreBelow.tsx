import { Button } from '@mantine/core';
import { useInViewport } from '@mantine/hooks';
import { startTransition, useEffect, useState } from 'react';

/**
 * How much of a long list is drawn: a part of it first, and a part more each time its end is scrolled to. Thousands of
 * rows at once would hold the page up, and nobody reads them.
 *
 * @param each rows drawn in one piece
 */
export function useMoreBelow(total: number, each: number) {
  const [shown, setShown] = useState(each);
  return {
    shown: Math.min(shown, total),
    end: <End left={total - shown} each={each} shown={shown} more={() => setShown((now) => now + each)} />,
  };
}

function End({ left, each, shown, more }: { left: number; each: number; shown: number; more(): void }) {
  const { ref, inViewport } = useInViewport<HTMLButtonElement>();
  // biome-ignore lint/correctness/useExhaustiveDependencies: again after each part, while the end is still on the screen
  useEffect(() => {
    if (!inViewport || left <= 0) return;
    const timer = setTimeout(() => startTransition(more));
    return () => clearTimeout(timer);
  }, [inViewport, left, shown]);
  if (left <= 0) return null;
  return (
    <Button ref={ref} variant="default" mt="md" onClick={() => startTransition(more)}>
      {Math.min(each, left)} more of {left.toLocaleString()}
    </Button>
  );
}
