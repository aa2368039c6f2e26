import { Button } from '@mantine/core';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { UnknownReferenceError } from '../../core/simulation/fitment.ts';
import { tellTrouble } from '../app/tellTrouble.ts';
import { editJob } from '../store/edits.ts';
import classes from './JobScreen.module.css';

/** A chosen LED has left the shelf: nothing can be computed until those lamps are chosen again. */
export function BrokenReference({
  job,
  shelf,
  error,
}: {
  job: Job;
  shelf: Shelf;
  error: UnknownReferenceError;
}) {
  const clear = () =>
    editJob(job.id, 'Choose again where the LED is gone', (draft) => {
      for (const [lampId, partId] of Object.entries(draft.chosen)) {
        if (partId !== null && !shelf.some((part) => part.id === partId)) delete draft.chosen[lampId];
      }
    }).catch((failure: Error) => tellTrouble(failure));
  return (
    <div className={classes.empty} role="alert">
      <h1>{job.title}</h1>
      <p>{error.message}</p>
      <Button onClick={clear}>Clear those choices and go on</Button>
    </div>
  );
}
