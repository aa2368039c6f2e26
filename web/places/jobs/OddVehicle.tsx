import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { nameOfJob } from '../../../core/formatting/nameOfJob.ts';
import { SYMPTOMS } from '../../../core/proving/symptomList.ts';
import type { JobSummary } from '../../store/jobSummaries.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import classes from './JobsPlace.module.css';

/** A vehicle that does something odd: which one, and what it does; the fault finder asks the rest. */
export function OddVehicle({ jobs }: { jobs: readonly JobSummary[] }) {
  const [opened, setOpened] = useState(false);
  const [from, setFrom] = useState('');
  const [odd, setOdd] = useState('');
  const navigate = useNavigate();
  const job = jobs.find((each) => each.id === from) ?? jobs[0];
  return (
    <>
      <Button variant="default" onClick={() => setOpened(true)}>
        It does something odd
      </Button>
      {opened && (
        <Dialog onClose={() => setOpened(false)} title="It does something odd">
          <form
            className={classes.form}
            onSubmit={(event) => {
              event.preventDefault();
              if (job) navigate(`/jobs/${job.id}/prove?${new URLSearchParams({ odd })}`);
            }}
          >
            {job && (
              <>
                <NativeSelect
                  label="Which vehicle?"
                  description="As its job has it fitted: what it should do is computed from that."
                  value={job.id}
                  onChange={(event) => setFrom(event.currentTarget.value)}
                  data={jobs.map((each) => ({
                    value: each.id,
                    label: `${each.vehicle.name} (${nameOfJob(each.title, each.vehicle)})`,
                  }))}
                />
                <NativeSelect
                  label="What does it do?"
                  value={odd}
                  onChange={(event) => setOdd(event.currentTarget.value)}
                  data={[
                    { value: '', label: 'something else: say it there' },
                    ...SYMPTOMS.map((each) => ({ value: each.id, label: each.words })),
                  ]}
                />
                <Button type="submit">Find the fault</Button>
              </>
            )}
            <p>
              Not on record?{' '}
              <Link to="/vehicles/new" className={classes.elsewhere}>
                Enter the vehicle first
              </Link>
              : its lamps, fuses and flasher; then open Prove.
            </p>
          </form>
        </Dialog>
      )}
    </>
  );
}
