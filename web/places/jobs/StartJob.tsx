import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { randomId } from '@mantine/hooks';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import { useDraftText } from '../../store/draft.ts';
import type { JobSummary } from '../../store/jobSummaries.ts';
import { startJobLike } from '../../store/jobs.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './JobsPlace.module.css';

/** A new job on a vehicle already on record. */
export function StartJob({ jobs }: { jobs: readonly JobSummary[] }) {
  const [opened, setOpened] = useState(false);
  const [title, setTitle, forget] = useDraftText('new-job');
  const [from, setFrom] = useState('');
  const [same, setSame] = useState(false);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const source = jobs.find((job) => job.id === from) ?? jobs[0];
  const start = () => {
    if (!source || busy) return;
    setBusy(true);
    startJobLike(
      source.id,
      randomId('job-'),
      title.trim() || source.vehicle.name,
      same ? null : randomId('vehicle-'),
    )
      .then((id) => {
        forget();
        navigate(`/jobs/${id}/look-over`);
      })
      .catch((error: Error) => {
        setBusy(false);
        tellTrouble(error);
      });
  };
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)} disabled={jobs.length === 0}>
        New job
      </Button>
      {opened && (
        <Dialog onClose={() => setOpened(false)} title="New job">
          <form
            className={classes.form}
            onSubmit={(event) => {
              event.preventDefault();
              start();
            }}
          >
            <NativeSelect
              label="On the vehicle of"
              description="A copy of its lamps, wiring, fuse and relay; everything else starts empty, and changes stay in the copy."
              value={source?.id ?? ''}
              onChange={(event) => setFrom(event.currentTarget.value)}
              data={jobs.map((job) => ({
                value: job.id,
                label: `${nameOfJob(job.title, job.vehicle)} (${job.vehicle.name})`,
              }))}
            />
            <Checkbox
              checked={same}
              onChange={(event) => setSame(event.currentTarget.checked)}
              label="It is the very same vehicle"
              description="What was ever seen of it counts on this job too, and what is seen now on the other."
            />
            <TextInput
              label="Title"
              placeholder={source?.vehicle.name}
              maxLength={160}
              value={title}
              onChange={(event) => setTitle(event.currentTarget.value)}
            />
            <Button type="submit" loading={busy}>
              Start
            </Button>
          </form>
        </Dialog>
      )}
    </>
  );
}
