import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import { BENCH_SCREEN } from '../../job/workspace.ts';
import { jobSummaries } from '../../store/jobSummaries.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import classes from './Bench.module.css';

/** Instruments are held to a vehicle: which one is on the bench. */
export function Component() {
  const loaded = useLiveQuery(async () => {
    try {
      return (await jobSummaries(Date.now())).jobs.filter(({ binned }) => !binned);
    } catch (error) {
      return error as Error;
    }
  });
  if (!loaded) return null;
  if (loaded instanceof Error) return <StorageTrouble error={loaded} />;
  return (
    <div className={classes.place}>
      <h1>Bench</h1>
      <p>
        A meter with its clamp, a lux meter, a thermometer, a diagnostic adapter and the flash meter, held to
        one vehicle. What they show is written down with the job. Which vehicle is it?
      </p>
      {loaded.length === 0 && <p>No vehicles here yet. Enter one, or import a job.</p>}
      <ul className={classes.jobs}>
        {loaded.map((job) => (
          <li key={job.id}>
            <Link to={`/jobs/${job.id}/${BENCH_SCREEN}`}>{nameOfJob(job.title, job.vehicle)}</Link>{' '}
            <span className="faint">
              {job.vehicle.name}, {job.vehicle.year}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
