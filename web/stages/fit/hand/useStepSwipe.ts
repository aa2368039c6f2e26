import { type TouchEvent, useRef } from 'react';

/** A swipe is this far across, px, and this much flatter than it is high. */
const FAR = 70;
const FLAT = 2.2;
/** What is moved sideways itself. */
const SCROLLS = '[data-scrolls-sideways], input, textarea, select';

/** Next and back by swiping; what scrolls sideways itself keeps its own. */
export function useStepSwipe(next: () => void, back: () => void) {
  const from = useRef<{ x: number; y: number } | null>(null);
  return {
    onTouchStart: (event: TouchEvent) => {
      const touch = event.touches[0];
      const own = event.target instanceof Element && event.target.closest(SCROLLS) !== null;
      from.current =
        touch && event.touches.length === 1 && !own ? { x: touch.clientX, y: touch.clientY } : null;
    },
    onTouchEnd: (event: TouchEvent) => {
      const touch = event.changedTouches[0];
      if (!from.current || !touch) return;
      const [x, y] = [touch.clientX - from.current.x, touch.clientY - from.current.y];
      from.current = null;
      if (Math.abs(x) < FAR || Math.abs(x) < FLAT * Math.abs(y)) return;
      if (x < 0) next();
      else back();
    },
  };
}
