import { useEffect, useRef } from 'react';
import { NavLink } from 'react-router';
import { STAGE_NAMES, STAGES, type Stage } from '../../../core/work/stages.ts';
import { useDesk } from '../../job/workspace.ts';
import classes from './StageRail.module.css';

/** The eight stages in the order people work, each with what it still has open. */
export function StageRail({ stage }: { stage: Stage | null }) {
  const { job, progress } = useDesk();
  const current = useRef<HTMLAnchorElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: scrolls to the new stage when it changes
  useEffect(() => {
    // With the next frame, when the page is laid out anyway.
    const frame = requestAnimationFrame(() =>
      current.current?.scrollIntoView({ block: 'nearest', inline: 'center' }),
    );
    return () => cancelAnimationFrame(frame);
  }, [stage]);
  return (
    <nav aria-label="Stages of the job" className={classes.rail}>
      {STAGES.map((each) => {
        const { done = false, note = '' } = progress?.find((open) => open.stage === each) ?? {};
        return (
          <NavLink
            key={each}
            to={`/jobs/${job.id}/${each}`}
            ref={each === stage ? current : undefined}
            className={classes.stage}
          >
            <span className={classes.name}>{STAGE_NAMES[each]}</span>
            <span className={classes.note}>
              {done && (
                <svg width="11" height="11" viewBox="0 0 14 14" aria-hidden="true" focusable="false">
                  <path d="M2 2h5a5 5 0 0 1 0 10H2z" fill="var(--petrol)" />
                </svg>
              )}
              {note}
            </span>
          </NavLink>
        );
      })}
    </nav>
  );
}
