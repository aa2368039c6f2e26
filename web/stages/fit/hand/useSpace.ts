import { useEffect, useRef } from 'react';

const USES_SPACE =
  'button, a, input, textarea, select, summary, [role="button"], [role="slider"], [role="dialog"]';

/** Space, but only where it would not press or type something else. */
export function useSpace(act: () => void): void {
  const latest = useRef(act);
  latest.current = act;
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== ' ' || event.repeat || event.ctrlKey || event.altKey || event.metaKey) return;
      if (event.target instanceof Element && event.target.closest(USES_SPACE)) return;
      event.preventDefault();
      latest.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
