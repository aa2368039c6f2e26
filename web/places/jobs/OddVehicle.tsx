import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { SYMPTOMS } from '../../../core/proving/symptomList.ts';
import type { JobRow } from '../../store/db.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import classes from './JobsPlace.module.css';

/** A vehicle that does something odd: which one, and what it does; the fault finder asks the rest. */
export function OddVehicle({ rows }: { rows: readonly JobRow[] }) {
  const [opened, setOpened] = useState(false);
  const [from, setFrom] = useState('');
  const [odd, setOdd] = useState('');
  const navigate = useNavigate();
  const row = rows.find((each) => each.id === from) ?? rows[0];
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
              if (row) navigate(`/jobs/${row.id}/prove?${new URLSearchParams({ odd })}`);
            }}
          >
            {row && (
              <>
                <NativeSelect
                  label="Which vehicle?"
                  description="As its job has it fitted: what it should do is computed from that."
                  value={row.id}
                  onChange={(event) => setFrom(event.currentTarget.value)}
                  data={rows.map((each) => ({
                    value: each.id,
                    label: `${each.job.vehicle.name} (${each.job.title})`,
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
