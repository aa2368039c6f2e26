import { Button, TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { memo, useDeferredValue, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { STAGE_NAMES } from '../../../core/work/stages.ts';
import { type JobSummaries, type JobSummary, jobSummaries } from '../../store/jobSummaries.ts';
import { binJob, exportJob, restoreJob } from '../../store/jobs.ts';
import { readShelf } from '../../store/stock.ts';
import { useMoreBelow } from '../../ui/MoreBelow.tsx';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { lookAtRows } from '../../workers/lookAtRows.ts';
import { useProgress } from '../../workers/useProgress.ts';
import { AsideRows } from './AsideRows.tsx';
import { BackupReminder } from './BackupReminder.tsx';
import { Bin } from './Bin.tsx';
import { DoAgain } from './DoAgain.tsx';
import { ImportJob } from './ImportJob.tsx';
import classes from './JobsPlace.module.css';
import { OddVehicle } from './OddVehicle.tsx';
import { QuickStart } from './QuickStart.tsx';
import { RechecksDue } from './RechecksDue.tsx';
import { StartJob } from './StartJob.tsx';

/** So many cards in one piece; a workshop may have hundreds. */
const CARDS = 12;

type Loaded = (JobSummaries & { shelf: Shelf }) | { trouble: Error };

/** The day's board: every job in this browser, newest first. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      const [summaries, shelf] = await Promise.all([jobSummaries(Date.now()), readShelf()]);
      return { ...summaries, shelf };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  const [query, setQuery] = useState('');
  const wanted = useDeferredValue(query.trim().toLowerCase());
  const broken = loaded !== undefined && 'jobs' in loaded && loaded.unreadable > 0;
  useEffect(() => {
    if (broken) lookAtRows(true);
  }, [broken]);
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  const here = loaded.jobs.filter(({ binned }) => !binned);
  const found = here.filter(
    ({ title, vehicle }) =>
      wanted === '' ||
      `${title} ${vehicle.name} ${vehicle.model} ${vehicle.year}`.toLowerCase().includes(wanted),
  );
  return (
    <div className={classes.place}>
      <QuickStart />
      <BackupReminder />
      <RechecksDue jobs={here} />
      <div className={classes.head}>
        <h1>Jobs</h1>
        <div className={classes.actions}>
          <Button component={Link} to="/vehicles/new">
            New vehicle
          </Button>
          <StartJob jobs={loaded.jobs} />
          <Button component={Link} to="/shelf?view=shopping" variant="default">
            Shopping list
          </Button>
          <OddVehicle jobs={here} />
          <ImportJob />
          <Button component={Link} to="/hand-off?view=take" variant="default">
            Take over
          </Button>
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
          <JobCards key={wanted} jobs={found} shelf={loaded.shelf} />
        </>
      )}
      <AsideRows />
      <Bin />
    </div>
  );
}

function JobCards({ jobs, shelf }: { jobs: readonly JobSummary[]; shelf: Shelf }) {
  const { shown, end } = useMoreBelow(jobs.length, CARDS);
  return (
    <>
      <ul className={classes.jobs}>
        {jobs.slice(0, shown).map((job) => (
          <JobCard key={job.id} job={job} shelf={shelf} />
        ))}
      </ul>
      {end}
    </>
  );
}

const JobCard = memo(function JobCard({ job, shelf }: { job: JobSummary; shelf: Shelf }) {
  const { data: progress, error } = useProgress(job, shelf);
  const [again, setAgain] = useState(false);
  const name = nameOfJob(job.title, job.vehicle);
  const open = progress?.find((each) => !each.done);
  const remove = () =>
    binJob(job.id)
      .then(() => offerUndo('Deleted', () => restoreJob(job.id)))
      .catch(tellTrouble);
  const save = () =>
    exportJob(job.id)
      .then((text) => saveTextFile(`${job.id}.vumble.json`, text, 'application/json'))
      .catch(tellTrouble);
  return (
    <li className={classes.job}>
      <Link to={`/jobs/${job.id}`} className={classes.title}>
        {name}
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
      {job.waits.length > 0 && (
        <p className={classes.waits}>
          <b>Waits for:</b> {job.waits.join('; ')}
        </p>
      )}
      {job.equals > 0 && (
        <p>
          <Link to={`/fleet/${job.id}`}>
            {job.equals} {job.equals === 1 ? 'vehicle' : 'vehicles'} like it
          </Link>
        </p>
      )}
      {again && <DoAgain jobId={job.id} name={name} close={() => setAgain(false)} />}
      <div className={classes.rail} aria-hidden="true">
        {progress?.map((each) => (
          <span key={each.stage} data-done={each.done} />
        ))}
      </div>
      <div className={classes.cardActions}>
        <Button size="sm" variant="default" onClick={save} aria-label={`Export ${name}`}>
          Export
        </Button>
        <Button size="sm" variant="default" onClick={() => setAgain(true)} aria-label={`Do ${name} again`}>
          Do it again
        </Button>
        <Button size="sm" variant="subtle" onClick={remove} aria-label={`Delete ${name}`}>
          Delete
        </Button>
      </div>
    </li>
  );
});
