import { Button, TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useDeferredValue, useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { Shelf } from '../../../core/model/part.ts';
import { STAGE_NAMES } from '../../../core/work/stages.ts';
import { db, type JobRow } from '../../store/db.ts';
import { binJob, exportJob, restoreJob } from '../../store/jobs.ts';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { lookAtRows } from '../../workers/lookAtRows.ts';
import { useProgress } from '../../workers/useProgress.ts';
import { AsideRows } from './AsideRows.tsx';
import { Bin } from './Bin.tsx';
import { ImportJob } from './ImportJob.tsx';
import classes from './JobsPlace.module.css';
import { OddVehicle } from './OddVehicle.tsx';
import { QuickStart } from './QuickStart.tsx';
import { StartJob } from './StartJob.tsx';

/** So many cards at first; a workshop may have hundreds. */
const AT_FIRST = 24;

type Loaded = { rows: JobRow[]; shelf: Shelf } | { trouble: Error };

/** The day's board: every job in this browser, newest first. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      const rows = newestFirst(await db.jobs.toArray(), Date.now());
      return { rows, shelf: await db.parts.toArray() };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  const [query, setQuery] = useState('');
  const wanted = useDeferredValue(query.trim().toLowerCase());
  const [shown, setShown] = useState(AT_FIRST);
  const broken = loaded && 'rows' in loaded && !loaded.rows.every(isReadable);
  useEffect(() => {
    if (broken) lookAtRows(true);
  }, [broken]);
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  const here = loaded.rows.filter((row) => row.deleted !== 1 && isReadable(row));
  const found = here.filter(
    ({ job }) =>
      wanted === '' ||
      `${job.title} ${job.vehicle.name} ${job.vehicle.model} ${job.vehicle.year}`
        .toLowerCase()
        .includes(wanted),
  );
  return (
    <div className={classes.place}>
      <QuickStart />
      <div className={classes.head}>
        <h1>Jobs</h1>
        <div className={classes.actions}>
          <Button component={Link} to="/vehicles/new">
            New vehicle
          </Button>
          <StartJob rows={loaded.rows.filter(isReadable)} />
          <OddVehicle rows={here} />
          <ImportJob />
        </div>
      </div>
      {here.length === 0 ? (
        <p>
          No jobs here. Enter a new vehicle, start one on a vehicle on record, or import a .vumble.json file.
        </p>
      ) : (
        <>
          {here.length > 6 && (
            <TextInput
              aria-label="Search the jobs"
              placeholder="Title, vehicle or year"
              className={classes.search}
              value={query}
              onChange={(event) => setQuery(event.currentTarget.value)}
            />
          )}
          {found.length === 0 && <p>No job is called that.</p>}
          <ul className={classes.jobs}>
            {found.slice(0, shown).map((row) => (
              <JobCard key={row.id} row={row} shelf={loaded.shelf} />
            ))}
          </ul>
          {found.length > shown && (
            <Button variant="default" mt="md" onClick={() => setShown(found.length)}>
              {found.length - shown} more jobs
            </Button>
          )}
        </>
      )}
      <AsideRows />
      <Bin />
    </div>
  );
}

/** Whether a row can be listed at all; one that cannot is looked at and set aside. */
function isReadable({ job }: JobRow): boolean {
  return typeof job?.title === 'string' && typeof job.vehicle?.name === 'string';
}

/** The newest change first; one that is yet to come was made while the clock was wrong, and says nothing. */
function newestFirst(rows: readonly JobRow[], nowMs: number): JobRow[] {
  const changed = ({ job, updatedAt }: JobRow) =>
    [updatedAt, job?.createdAt].map((each) => Date.parse(each)).find((each) => each <= nowMs + 60_000) ?? 0;
  return rows.toSorted((a, b) => changed(b) - changed(a));
}

function JobCard({ row, shelf }: { row: JobRow; shelf: Shelf }) {
  const { job } = row;
  const { data: progress, error } = useProgress(row, shelf);
  const open = progress?.find((each) => !each.done);
  const remove = () =>
    binJob(row.id)
      .then(() => offerUndo('Deleted', () => restoreJob(row.id)))
      .catch(tellTrouble);
  const save = () =>
    exportJob(row.id)
      .then((text) => saveTextFile(`${row.id}.vumble.json`, text, 'application/json'))
      .catch(tellTrouble);
  return (
    <li className={classes.job}>
      <Link to={`/jobs/${row.id}`} className={classes.title}>
        {job.title}
      </Link>
      <p className={classes.vehicle}>
        {job.vehicle.name}, {job.vehicle.year}, {job.vehicle.systemVolts} V
      </p>
      <p className={classes.state}>
        {error
          ? `How far it has come cannot be worked out: ${error.message}`
          : progress === undefined
            ? 'Working out how far it has come.'
            : progress === null
              ? 'An LED it uses is no longer on the shelf.'
              : open
                ? `Next: ${STAGE_NAMES[open.stage]}, ${open.note}`
                : 'Filed'}
      </p>
      <div className={classes.rail} aria-hidden="true">
        {progress?.map((each) => (
          <span key={each.stage} data-done={each.done} />
        ))}
      </div>
      <div className={classes.cardActions}>
        <Button size="sm" variant="default" onClick={save} aria-label={`Export ${job.title}`}>
          Export
        </Button>
        <Button size="sm" variant="subtle" onClick={remove} aria-label={`Delete ${job.title}`}>
          Delete
        </Button>
      </div>
    </li>
  );
}
