import type { ReactNode } from 'react';
import classes from './Caution.module.css';

/** A caution wears a hatched edge. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <div className={classes.caution} role="note">
      {children}
    </div>
  );
}
