import { Button } from '@mantine/core';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { dropBroken } from '../../../core/model/partReferences.ts';
import type { UnknownReferenceError } from '../../../core/simulation/fitment.ts';
import { editJob } from '../../store/edits.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './JobScreen.module.css';

/** A part has left the shelf that the job cannot be computed without: what names it is taken out, or put back. */
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
    editJob(job.id, 'Take out what names parts that are gone', (draft) => dropBroken(draft, shelf)).catch(
      (failure: Error) => tellTrouble(failure),
    );
  return (
    <div className={classes.empty} role="alert">
      <h1>{job.title}</h1>
      <p>{error.message}</p>
      <Button onClick={clear}>Take out what names it and go on</Button>
    </div>
  );
}
