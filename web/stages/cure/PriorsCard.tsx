import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { amps, volts } from '../../../core/formatting/format.ts';
import { type Prior, priorsFor } from '../../../core/judge/priors.ts';
import type { Job } from '../../../core/model/job.ts';
import { takePriors } from '../../../core/record/takePriors.ts';
import { useDesk } from '../../job/workspace.ts';
import { teller } from '../../store/device.ts';
import { Caution } from '../../ui/Caution.tsx';
import { shortDate } from '../../ui/dates.ts';
import classes from './LearnCard.module.css';
import { RESULTS, supplyWords } from './results.ts';

/** What was found on others of this model, with who found it and what was fitted: offered, never taken by itself. */
export function PriorsCard({ others, at }: { others: readonly Job[]; at: number }) {
  const { job, shelf, circuit, edit } = useDesk();
  const priors = useMemo(() => priorsFor(job, shelf, circuit, others), [job, shelf, circuit, others]);
  if (priors.rows.length === 0) return null;
  const quiet = priors.rows.filter((row) => row.trial.result === 'normal');
  const tripped = priors.rows.filter((row) => row.trial.result !== 'normal');
  const band = priors.together(circuit, at);
  const take = (rows: readonly Prior[]) => {
    const by = rows.map(teller);
    edit(rows.length > 1 ? 'Take over findings' : 'Take over a finding', (draft) => {
      takePriors(draft, rows, by);
    });
  };
  const usable = priors.rows.filter((row) => row.usable);
  return (
    <div className={classes.others}>
      <b>Found on others of this model</b>
      {priors.conflict && (
        <Caution>{priors.conflict} They stand side by side below; which to believe is for you.</Caution>
      )}
      <div className={classes.sides}>
        <Column title="It stayed content" rows={quiet} onTake={take} />
        <Column title="It tripped" rows={tripped} onTake={take} />
      </div>
      {band && (
        <p>
          Taken together the threshold here would lie from {amps(band.lowAmps)} to {amps(band.highAmps)} at{' '}
          {volts(at)}, computed.{' '}
          {usable.length > 1 && (
            <Button size="xs" variant="default" onClick={() => take(usable)}>
              Take all {usable.length} as a prior
            </Button>
          )}
        </p>
      )}
      <p className="faint">A finding on one vehicle is no fact about the model: take it over knowingly.</p>
    </div>
  );
}

function Column({
  title,
  rows,
  onTake,
}: {
  title: string;
  rows: readonly Prior[];
  onTake(rows: readonly Prior[]): void;
}) {
  if (rows.length === 0) return null;
  return (
    <div role="group" aria-label={title}>
      <span className="faint">{title}</span>
      <ul>
        {rows.map((row) => (
          <li key={`${row.jobId} ${row.trial.id}`}>
            {row.fitted}
            {row.trial.supply ? ` at ${supplyWords(row.trial.supply)}` : ''}: {RESULTS[row.trial.result]}
            <div className="faint">
              {row.foundBy ?? 'nobody signed it'}, {row.foundIn}, {shortDate(row.trial.at)}
            </div>
            {row.usable ? (
              <Button size="xs" variant="default" onClick={() => onTake([row])}>
                Take it as a prior
              </Button>
            ) : (
              <div className="faint">Its lamps or parts are not known here, so it cannot be computed.</div>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
