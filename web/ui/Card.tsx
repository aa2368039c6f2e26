import { type ReactNode, useId } from 'react';
import classes from './Card.module.css';

/** A titled panel: large outer radius above, flat below, like a lens on its side. */
export function Card({
  title,
  aside,
  children,
  heading: Heading = 'h3',
}: {
  title: string;
  aside?: ReactNode;
  children: ReactNode;
  /** the rank of its title: under a page's own h1 it is h2 */
  heading?: 'h2' | 'h3';
}) {
  const id = useId();
  return (
    <section className={classes.card} aria-labelledby={id}>
      <div className={classes.head}>
        <Heading id={id} className={classes.title}>
          {title}
        </Heading>
        {aside}
      </div>
      {children}
    </section>
  );
}
