import { useRef } from 'react';
import { usePhone } from './usePhone.ts';

/** What stands below a list on a phone: brought to the top of the screen when something of the list is chosen. */
export function useBelow<E extends HTMLElement>() {
  const phone = usePhone();
  const ref = useRef<E>(null);
  const show = () => {
    // Below a long list what belongs to the chosen one would not be seen.
    if (phone) requestAnimationFrame(() => ref.current?.scrollIntoView({ block: 'start' }));
  };
  return { ref, show };
}
