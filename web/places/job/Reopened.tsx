import { Button } from '@mantine/core';
import { VERDICT_WORDS } from '../../../core/judge/states.ts';
import type { Job } from '../../../core/model/job.ts';
import { useDesk } from '../../job/workspace.ts';
import { Caution } from '../../ui/Caution.tsx';
import { useChangedVerdicts } from '../../workers/useChangedVerdicts.ts';
import classes from './JobScreen.module.css';

/** Whose verdict is another since what an earlier version took for granted is open, until it was read. */
export function Reopened() {
  const { job, shelf, edit } = useDesk();
  const { data } = useChangedVerdicts(job, shelf);
  if (!job.reopened || !data || data.length === 0) return null;
  return (
    <div className={classes.reopened}>
      <Caution>
        <b>Other verdicts than before.</b> This job took for granted {takenWords(job.reopened)}; nobody had
        looked, and it is open now.{' '}
        {data
          .map(
            ({ name, was, is }) => `${name}: ${VERDICT_WORDS[was]}, now ${VERDICT_WORDS[is].toLowerCase()}.`,
          )
          .join(' ')}{' '}
        Look over asks for what is open.{' '}
        <Button
          size="xs"
          variant="default"
          onClick={() => edit('Read whose verdict changed', (draft) => void delete draft.reopened)}
        >
          I have read it
        </Button>
      </Caution>
    </div>
  );
}

function takenWords({ settings, mounts, brakeSense, outputs }: NonNullable<Job['reopened']>): string {
  return [
    ...(brakeSense ? ['that nothing reads the brake wire'] : []),
    ...(outputs ? ['that one output drives all turn lamps of a side'] : []),
    ...(settings.length > 0 ? ['that its controller can be told of LEDs'] : []),
    ...(mounts.length > 0 ? ['that there is no metal for a resistor'] : []),
  ].join(', and ');
}
