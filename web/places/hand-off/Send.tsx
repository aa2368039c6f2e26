import { Button, Checkbox } from '@mantine/core';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import type { ParcelCode } from '../../../core/handoff/parcel.ts';
import type { Job } from '../../../core/model/job.ts';
import { Card } from '../../ui/Card.tsx';
import { today } from '../../ui/dates.ts';
import { useMoreBelow } from '../../ui/MoreBelow.tsx';
import { CodeCard } from './CodeCard.tsx';
import classes from './HandOff.module.css';
import { leave, mailboxHere, type NoMailbox } from './mailbox.ts';
import { PackingState } from './PackingState.tsx';
import { usePacking } from './usePacking.ts';

/** So many jobs in one piece. */
const ROWS = 40;

/** Jobs on their way to another device or another person. */
export function Send({ jobs }: { jobs: readonly Job[] }) {
  const [search] = useSearchParams();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(search.getAll('job')));
  const { packing, make, save, stop } = usePacking();
  const [code, setCode] = useState<ParcelCode | null>(null);
  const [none, setNone] = useState<NoMailbox | undefined>();
  useEffect(() => {
    mailboxHere().then(setNone);
  }, []);
  const { shown, end } = useMoreBelow(jobs.length, ROWS);
  const here = jobs.filter(({ id }) => chosen.has(id));
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  const one = here[0];
  const name = here.length === 1 && one ? one.id : `jobs-${today()}`;
  return (
    <div className={classes.cards}>
      <Card title="Jobs to hand on" heading="h2">
        <p>
          A file with everything of a job: its record, photographs, parts and their prices, netlists and
          wiring sheets. Whoever takes it over works on; handed back, both are laid together, and what both
          changed is asked.
        </p>
        {jobs.length === 0 ? (
          <p>No jobs here.</p>
        ) : (
          <ul className={classes.jobs}>
            {jobs.slice(0, shown).map((job) => (
              <li key={job.id}>
                <Checkbox
                  checked={chosen.has(job.id)}
                  onChange={() => toggle(job.id)}
                  label={`${nameOfJob(job.title, job.vehicle)}, ${job.vehicle.name}`}
                />
              </li>
            ))}
          </ul>
        )}
        {end}
        <div className={classes.actions}>
          <Button
            disabled={here.length === 0 || packing !== null}
            onClick={() => save({ content: 'jobs', ids: here.map(({ id }) => id) }, `${name}.vumble.zip`)}
          >
            {here.length < 2 ? 'Save the job as a file' : `Save ${here.length} jobs as one file`}
          </Button>
          <Button
            variant="default"
            disabled={packing !== null}
            onClick={() => save({ content: 'shelf' }, `shelf-${today()}.vumble.zip`)}
          >
            Save the shelf as a file
          </Button>
          {none === null && (
            <Button
              variant="default"
              disabled={here.length === 0 || packing !== null}
              onClick={() =>
                make({ content: 'jobs', ids: here.map(({ id }) => id) }, async (bytes) =>
                  setCode(await leave(bytes)),
                )
              }
            >
              Show a code for another device
            </Button>
          )}
          <PackingState packing={packing} stop={stop} />
        </div>
        {none && (
          <p className="faint">
            {none === 'off'
              ? 'Handing over by code is off: the server that shows this page has a mailbox only when it was started with --host, for others on the workshop’s network.'
              : 'Handing over by code wants https, or this very machine: start the server with --https and open its page about trust.'}
          </p>
        )}
      </Card>
      {code && <CodeCard code={code} />}
    </div>
  );
}
