import { Button } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from 'react-router';
import type { Shelf } from '../../../core/model/part.ts';
import { STOP_NAMES, type StopProgress, stopProgress } from '../../../core/order/stops.ts';
import { TurnJudge } from '../../../core/verdict/judge.ts';
import { StorageTrouble } from '../../app/StorageTrouble.tsx';
import { tellTrouble } from '../../app/tellTrouble.ts';
import { db, type JobRow } from '../../store/db.ts';
import { binJob, exportJob, restoreJob } from '../../store/jobs.ts';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { ImportJob } from './ImportJob.tsx';
import classes from './JobsPlace.module.css';
import { StartJob } from './StartJob.tsx';

type Loaded = { rows: JobRow[]; shelf: Shelf } | { trouble: Error };

/** The day's board: every job in this browser, newest first. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      const rows = await db.jobs.orderBy('updatedAt').reverse().toArray();
      return { rows, shelf: await db.parts.toArray() };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  const here = loaded.rows.filter((row) => row.deleted === 0);
  const binned = loaded.rows.filter((row) => row.deleted === 1);
  return (
    <div className={classes.place}>
      <div className={classes.head}>
        <h1>Jobs</h1>
        <div className={classes.actions}>
          <StartJob rows={loaded.rows} />
          <ImportJob />
        </div>
      </div>
      {here.length === 0 ? (
        <p>No jobs here. Start one on a vehicle on record, or import a .vumble.json file.</p>
      ) : (
        <ul className={classes.jobs}>
          {here.map((row) => (
            <JobCard key={row.id} row={row} shelf={loaded.shelf} />
          ))}
        </ul>
      )}
      {binned.length > 0 && (
        <details className={classes.bin}>
          <summary>Deleted jobs ({binned.length})</summary>
          <ul>
            {binned.map((row) => (
              <li key={row.id}>
                <span>{row.job.title}</span>
                <Button size="sm" variant="default" onClick={() => restoreJob(row.id).catch(tellTrouble)}>
                  Take it back
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function JobCard({ row, shelf }: { row: JobRow; shelf: Shelf }) {
  const { job } = row;
  const progress = progressOf(row, shelf);
  const open = progress?.find((each) => !each.done);
  const remove = () =>
    binJob(row.id)
      .then(() =>
        notifications.show({
          title: 'Deleted',
          message: (
            <Button size="xs" variant="default" mt={6} onClick={() => restoreJob(row.id).catch(tellTrouble)}>
              Take it back
            </Button>
          ),
          autoClose: 8000,
          withBorder: true,
        }),
      )
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
        {progress === null
          ? 'An LED it uses is no longer on the shelf.'
          : open
            ? `Next: ${STOP_NAMES[open.stop]}, ${open.note}`
            : 'Filed'}
      </p>
      <div className={classes.rail} aria-hidden="true">
        {progress?.map((each) => (
          <span key={each.stop} data-done={each.done} />
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

function progressOf({ job }: JobRow, shelf: Shelf): StopProgress[] | null {
  try {
    return stopProgress(job, shelf, new TurnJudge(job, shelf, 'cured').verdict().state);
  } catch {
    return null;
  }
}
