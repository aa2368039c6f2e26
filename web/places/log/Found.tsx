import { Checkbox, SegmentedControl } from '@mantine/core';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { amps, volts } from '../../../core/formatting/format.ts';
import { causesFound } from '../../../core/log/answers.ts';
import type { VehicleBand, WatcherGroup } from '../../../core/log/watchers.ts';
import type { LogData } from '../../job/useLog.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { shortDate } from '../../ui/dates.ts';
import { Scrolls } from '../../ui/Scrolls.tsx';
import { useWatchers } from '../../workers/useWatchers.ts';
import classes from './Log.module.css';

/** What was found on models: causes of faults, and where their watchers' thresholds lie. */
export default function Found({ jobs, state }: LogData) {
  const causes = causesFound(jobs);
  return (
    <div className={classes.stack}>
      <Card title="Causes that were found" heading="h2">
        {causes.length === 0 ? (
          <p>None yet: a search in Prove that ends with a cause is kept here.</p>
        ) : (
          <Scrolls label="Causes that were found">
            <table className={classes.table}>
              <thead>
                <tr>
                  <th>Model</th>
                  <th>Cause</th>
                  <th>Times</th>
                  <th>Mended</th>
                  <th>On</th>
                </tr>
              </thead>
              <tbody>
                {causes.map(({ model, words, times, mended, jobs: on }) => (
                  <tr key={`${model} ${words}`}>
                    <td>{model}</td>
                    <td>{words}</td>
                    <td>{times}</td>
                    <td>{mended}</td>
                    <td>
                      {on.map(({ id, title }, index) => (
                        <span key={id}>
                          {index > 0 && ', '}
                          <Link to={`/jobs/${id}`}>{title || id}</Link>
                        </span>
                      ))}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Scrolls>
        )}
      </Card>
      <Watchers state={state} />
    </div>
  );
}

const BY = { model: 'By model', watcher: 'By flasher or controller' } as const;

function Watchers({ state }: { state: string }) {
  const [by, setBy] = useState<keyof typeof BY>('model');
  const { data, error } = useWatchers(by, state);
  return (
    <Card title="What is known of watchers" heading="h2">
      <div className={classes.stack}>
        <SegmentedControl
          className={classes.choice}
          aria-label="Laid beside each other"
          value={by}
          onChange={(next) => setBy(next as keyof typeof BY)}
          data={Object.entries(BY).map(([value, label]) => ({ value, label }))}
        />
        {error && <p role="alert">It could not be worked out: {error.message}</p>}
        {!error && !data && <p className="faint">Working out the bands.</p>}
        {data?.length === 0 && <p>Nobody has tried anything on a watcher yet.</p>}
        {data?.map((group) => (
          <Group key={`${group.of} ${group.circuit}`} group={group} />
        ))}
        <p className="faint">
          Computed from each vehicle’s own evidence, at the volts named. A finding on one vehicle is no fact
          about the model.
        </p>
      </div>
    </Card>
  );
}

/** The bands of vehicles beside each other, and together if they are supposed to be one watcher. */
function Group({ group }: { group: WatcherGroup }) {
  const { of, circuit, vehicles, together, apart, volts: at } = group;
  const [supposed, setSupposed] = useState(true);
  const most = Math.max(...vehicles.map(({ highAmps }) => highAmps)) * 1.1;
  return (
    <section aria-label={`${of}, ${circuit}`}>
      <h3>
        {of}, {circuit}, at {volts(at)}
      </h3>
      <div className={classes.bands}>
        {vehicles.map((band) => (
          <Band
            key={band.jobId}
            name={<Link to={`/jobs/${band.jobId}/cure`}>{band.vehicle}</Link>}
            {...band}
            most={most}
          />
        ))}
        {together && supposed && vehicles.length > 1 && (
          <Band name="all of them" {...together} most={most} all />
        )}
      </div>
      {vehicles.length > 1 && together && (
        <Checkbox
          checked={supposed}
          onChange={(event) => setSupposed(event.currentTarget.checked)}
          label="Supposing that they have the same watcher, which nobody has shown"
        />
      )}
      {apart.map(([a, b]) => (
        <Caution key={`${a} ${b}`}>
          {a} and {b} contradict each other: their bands do not meet. They do not have one watcher, or one of
          the findings is wrong.
        </Caution>
      ))}
      <ul>{vehicles.flatMap((band) => findingsOf(band))}</ul>
    </section>
  );
}

function findingsOf({ jobId, vehicle, findings, contradiction }: VehicleBand) {
  return [
    ...findings.map(({ fitted, result, by, at }) => (
      <li key={`${jobId} ${at} ${fitted}`}>
        {vehicle}: {result} with {fitted}, {shortDate(at)}
        {by ? `, found by ${by}` : ', nobody named'}
      </li>
    )),
    ...(contradiction ? [<li key={`${jobId} no`}>{`${vehicle}: ${contradiction} Not used.`}</li>] : []),
  ];
}

function Band({
  name,
  lowAmps,
  highAmps,
  most,
  all = false,
}: {
  name: ReactNode;
  lowAmps: number;
  highAmps: number;
  most: number;
  all?: boolean;
}) {
  const left = (100 * lowAmps) / most;
  return (
    <div className={classes.band}>
      <span>{name}</span>
      <div className={classes.track} data-all={all} aria-hidden="true">
        <span style={{ left: `${left}%`, width: `${Math.max(1, (100 * highAmps) / most - left)}%` }} />
      </div>
      <span>
        {amps(lowAmps)} to {amps(highAmps)}
      </span>
    </div>
  );
}
