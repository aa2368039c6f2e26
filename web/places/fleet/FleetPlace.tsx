import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { differenceWords } from '../../../core/fleet/fleetWords.ts';
import { looksLeft } from '../../../core/fleet/likeJob.ts';
import { duration } from '../../../core/ledger/words.ts';
import { LIKE_LOOKS } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { STAGE_NAMES } from '../../../core/work/stages.ts';
import { waitsOf } from '../../../core/work/waits.ts';
import type { JobRow } from '../../store/db.ts';
import { type FleetRows, fleetOf, offerChange, offered } from '../../store/fleet.ts';
import { readShelf } from '../../store/stock.ts';
import { Card } from '../../ui/Card.tsx';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { useFleetDifferences, useMinutesLeft } from '../../workers/useFleet.ts';
import { useProgress } from '../../workers/useProgress.ts';
import classes from './Fleet.module.css';

type Loaded = { fleet: FleetRows | null; shelf: Shelf } | Error;

/** Vehicles like one that was done: where each stands, what waits, what is left, and what is otherwise than on the first. */
export function Component() {
  const { jobId = '' } = useParams();
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      const [fleet, shelf] = await Promise.all([fleetOf(jobId), readShelf()]);
      return { fleet, shelf };
    } catch (error) {
      return error as Error;
    }
  }, [jobId]);
  if (!loaded) return null;
  if (loaded instanceof Error) return <StorageTrouble error={loaded} />;
  if (!loaded.fleet)
    return (
      <div className={classes.place}>
        <p>
          This job is no longer in this browser. <Link to="/jobs">To the jobs</Link>
        </p>
      </div>
    );
  return <Fleet fleet={loaded.fleet} shelf={loaded.shelf} />;
}

function Fleet({ fleet, shelf }: { fleet: FleetRows; shelf: Shelf }) {
  const { first, others } = fleet;
  const jobs = useMemo(() => [first.job, ...others.map(({ job }) => job)], [first, others]);
  const { data: differences } = useFleetDifferences(jobs, shelf);
  const { data: left } = useMinutesLeft(jobs, shelf);
  const waiting = offered(fleet);
  const total = (left ?? []).reduce<[number, number]>(
    ([low, high], { minutes }) => [low + minutes[0], high + minutes[1]],
    [0, 0],
  );
  const waits = jobs.flatMap((job) =>
    waitsOf(job).map((what) => `${job.vehicle.fleetNumber ?? job.title}: ${what}`),
  );
  return (
    <div className={classes.place}>
      <h1>Like {first.job.title}</h1>
      <Card title="The fleet" heading="h2">
        <p>
          {others.length === 0
            ? 'No other vehicle was begun like it yet: Jobs, beside it, has “Do it again”.'
            : `${others.length + 1} vehicles.`}{' '}
          {left && left.length > 0 ? `Left to do: ${duration(total)}, by what was clocked so far.` : ''}
        </p>
        {waits.length > 0 && (
          <ul className={classes.list}>
            {waits.map((text) => (
              <li key={text}>Waits for {text}</li>
            ))}
          </ul>
        )}
        {waiting.length > 0 && (
          <p role="status">
            {first.job.title} was changed since {waiting.length} of these were begun, and they have not been
            worked on.
          </p>
        )}
        <div className={classes.row}>
          {waiting.length > 0 && (
            <Button onClick={() => offerChange(fleet).catch(tellTrouble)}>
              Give its change to {waiting.length === 1 ? 'it' : `all ${waiting.length}`}
            </Button>
          )}
          <Button component={Link} to={`/shelf?view=shopping&fleet=${first.id}`} variant="default">
            One shopping list
          </Button>
          <Button component={Link} to={`/jobs/${first.id}`} variant="default">
            Open the first
          </Button>
        </div>
      </Card>
      <ul className={classes.vehicles}>
        {others.map((row) => (
          <Vehicle
            key={row.id}
            row={row}
            shelf={shelf}
            minutes={left?.find(({ id }) => id === row.id)?.minutes ?? null}
            difference={differences?.find(({ id }) => id === row.id) ?? null}
          />
        ))}
      </ul>
    </div>
  );
}

type Difference = NonNullable<ReturnType<typeof useFleetDifferences>['data']>[number];

function Vehicle({
  row,
  shelf,
  minutes,
  difference,
}: {
  row: JobRow;
  shelf: Shelf;
  minutes: readonly [number, number] | null;
  difference: Difference | null;
}) {
  const { job, id, updatedAt } = row;
  const { vehicle, title } = job;
  const { data: progress } = useProgress(
    {
      id,
      title,
      vehicle,
      vehicleId: vehicle.id,
      changedMs: 0,
      updatedAt,
      binned: false,
      waits: [],
      rechecks: [],
      likeId: null,
      equals: 0,
    },
    shelf,
  );
  const open = progress?.find(({ done }) => !done);
  const looks = looksLeft(job, LIKE_LOOKS);
  const own = difference?.difference ?? null;
  return (
    <li className={classes.vehicle} data-own={own !== null}>
      <Link to={`/jobs/${id}/look-over`}>
        <b>{vehicle.fleetNumber ?? title}</b>
      </Link>
      <div>
        {open ? `${STAGE_NAMES[open.stage]}: ${open.note}` : progress ? 'Filed' : 'Working it out'}
        <div className={classes.rail} aria-hidden="true">
          {progress?.map(({ stage, done }) => (
            <span key={stage} data-done={done} />
          ))}
        </div>
      </div>
      <div>
        {minutes ? `${duration(minutes)} left` : ''}
        {looks.length > 0 && <div className="faint">{looks.length} looks open</div>}
      </div>
      <div>
        {own ? (
          <ul className={classes.list}>
            {differenceWords(own).map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        ) : (
          <span className="faint">
            {difference && 'problem' in difference && difference.problem
              ? difference.problem
              : difference
                ? 'As the first'
                : 'Holding it against the first'}
          </span>
        )}
      </div>
    </li>
  );
}
