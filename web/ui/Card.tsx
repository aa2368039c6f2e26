import { type ReactNode, useId } from 'react';
import classes from './Card.module.css';

/** A titled panel: large outer radius above, flat below, like a lens on its side. */
export function Card({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) {
  const id = useId();
  return (
    <section className={classes.card} aria-labelledby={id}>
      <div className={classes.head}>
        <h3 id={id}>{title}</h3>
        {aside}
      </div>
      {children}
    </section>
  );
}
