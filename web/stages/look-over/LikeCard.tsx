import { Checkbox } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { differenceWords, LOOK_WORDS } from '../../../core/fleet/fleetWords.ts';
import { setLooked } from '../../../core/fleet/likeJob.ts';
import { LIKE_LOOKS } from '../../../core/model/job.ts';
import { useDesk } from '../../job/workspace.ts';
import { db } from '../../store/db.ts';
import { Card } from '../../ui/Card.tsx';
import { useFleetDifferences } from '../../workers/useFleet.ts';
import { FleetBand } from './FleetBand.tsx';
import classes from './LookOver.module.css';

/** A vehicle begun as another's equal: the few things that differ from one to the next, and what its plan is otherwise. */
export function LikeCard() {
  const { job, shelf, edit } = useDesk();
  const { like } = job;
  const first = useLiveQuery(
    async () => (like ? ((await db.jobs.get(like.jobId))?.job ?? null) : null),
    [like?.jobId],
  );
  const pair = useMemo(() => (first ? [first, job] : []), [first, job]);
  const { data } = useFleetDifferences(pair, shelf);
  // What a tick takes over is read from the first: none is offered before it is at hand.
  if (!like || first === undefined) return null;
  const own = data?.[0]?.difference ?? null;
  return (
    <Card title={first ? `As on ${first.title}` : 'As on another vehicle'}>
      <div className={classes.like}>
        <p>
          Carried over from it, its flasher and bulbs supposed the same. Look at these on this one; what is
          otherwise is put right below, in Identify or on the plan.
        </p>
        <div className={classes.looks}>
          {LIKE_LOOKS.map((look) => (
            <Checkbox
              key={look}
              checked={like.looked.includes(look)}
              label={LOOK_WORDS[look]}
              onChange={(event) => {
                const { checked } = event.currentTarget;
                edit(`Looked at: ${LOOK_WORDS[look]}`.slice(0, 160), (draft) => {
                  setLooked(draft, first, look, checked);
                });
              }}
            />
          ))}
        </div>
        {like.looked.includes('flasher') && <FleetBand likeId={like.jobId} />}
        {own ? (
          <>
            <p>
              <b>Its plan is its own:</b>
            </p>
            <ul>
              {differenceWords(own).map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
          </>
        ) : (
          <p className="faint">{data ? 'Its plan is that of the first.' : 'Holding it against the first.'}</p>
        )}
        {first && <Link to={`/fleet/${like.jobId}`}>All of the fleet</Link>}
      </div>
    </Card>
  );
}
