import { useInViewport } from '@mantine/hooks';
import { startTransition, useEffect, useState } from 'react';
import { usePhone } from './usePhone.ts';

/** A phone that was left alone so long has nothing better to do than to build what stands further down, ms. */
const LEFT_ALONE = 4000;

/**
 * What stands below the first screen of a phone: built when it is scrolled to, or when the first screen has long been
 * there. On a wide screen it is there at once.
 */
export function FurtherDown({ children }: { children: React.ReactNode }) {
  const phone = usePhone();
  const { ref, inViewport } = useInViewport();
  const [wanted, setWanted] = useState(!phone);
  useEffect(() => {
    if (wanted) return;
    const build = () => startTransition(() => setWanted(true));
    if (inViewport || !phone) return build();
    const timer = setTimeout(build, LEFT_ALONE);
    return () => clearTimeout(timer);
  }, [wanted, inViewport, phone]);
  // With some height, or nothing could be scrolled to.
  return wanted ? children : <div ref={ref} style={{ minHeight: '50vh' }} />;
}
