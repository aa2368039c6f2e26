import { useEffect, useRef } from 'react';
import { NavLink } from 'react-router';
import { STOP_NAMES, type Stop } from '../../../core/order/stops.ts';
import { useDesk } from '../workspace.ts';
import classes from './StopRail.module.css';

/** The eight stops in the order people work, each with what it still has open. */
export function StopRail({ stop }: { stop: Stop | null }) {
  const { job, progress } = useDesk();
  const current = useRef<HTMLAnchorElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: scrolls to the new stop when it changes
  useEffect(() => {
    current.current?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [stop]);
  return (
    <nav aria-label="Stops of the job" className={classes.rail}>
      {progress.map((each) => (
        <NavLink
          key={each.stop}
          to={`/jobs/${job.id}/${each.stop}`}
          ref={each.stop === stop ? current : undefined}
          className={classes.stop}
        >
          <span className={classes.name}>{STOP_NAMES[each.stop]}</span>
          <span className={classes.note}>
            {each.done && (
              <svg width="11" height="11" viewBox="0 0 14 14" aria-hidden="true" focusable="false">
                <path d="M2 2h5a5 5 0 0 1 0 10H2z" fill="var(--petrol)" />
              </svg>
            )}
            {each.note}
          </span>
        </NavLink>
      ))}
    </nav>
  );
}
