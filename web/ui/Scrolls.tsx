import type { ReactNode } from 'react';

/** What is wider than a phone and scrolls by itself: reached by key, so that the arrows move it, and by name. */
export function Scrolls({
  label,
  className,
  children,
}: {
  label: string;
  className?: string | undefined;
  children: ReactNode;
}) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls and holds nothing to press is reached no other way
    <div role="group" aria-label={label} className={className} tabIndex={0} data-scrolls-sideways>
      {children}
    </div>
  );
}
