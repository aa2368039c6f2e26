import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { PossibleFault } from '../../../core/faults/library.ts';
import { capital, inARow } from '../../../core/formatting/format.ts';
import type { Job } from '../../../core/model/job.ts';
import type { RoundSetup } from '../../../core/practice/round.ts';
import type { SearchRun, SearchStep } from '../../../core/practice/search.ts';
import type { ProvingGrid } from '../../../core/proving/grid.ts';
import { deviationsWords } from '../../../core/words/deviations.ts';
import { cureWords, faultName, placeWords } from '../../../core/words/faults.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './Practice.module.css';

/** What was hidden, how long it took, and how the chooser would have gone about it, step by step. */
export function Review({
  job,
  grid,
  review: { run, hidden, gaveUp },
  minutes,
  setup,
}: {
  job: Job;
  grid: ProvingGrid;
  review: { run: SearchRun; hidden: readonly PossibleFault[]; gaveUp: boolean };
  minutes: number;
  setup: RoundSetup;
}) {
  const names = hidden.map(({ fault }) => faultName(fault, job.vehicle));
  const again = new URLSearchParams({ job: job.id, level: setup.level, seed: String(setup.seed + 1) });
  return (
    <Card title={gaveUp ? 'It was' : 'Found'} heading="h2">
      <p role="status">
        <b>{capital(inARow(names))}.</b> {hidden.map(({ fault }) => cureWords(fault)).join(' ')}
      </p>
      <p>
        You: <b>{Math.round(minutes)} min</b>
        {gaveUp ? ', given up' : ''}. The chooser:{' '}
        {run.found ? (
          <>
            <b>{Math.round(run.minutes)} min</b> in {run.steps.length}{' '}
            {run.steps.length === 1 ? 'check' : 'checks'}
            {!gaveUp && minutes > 0 && `, ${ratioWords(minutes / Math.max(0.1, run.minutes))}`}.
          </>
        ) : (
          'it would not have found it by checks alone.'
        )}
      </p>
      <h3>How that would have gone</h3>
      <ol className={classes.steps} aria-label="The chooser’s search">
        {run.steps.map((step, index) => (
          <li key={index}>
            {searchWords(job, grid, step)} <span className="faint">{step.minutes.toFixed(1)} min</span>
          </li>
        ))}
      </ol>
      <Button component={Link} to={`/practice/round?${again}`} size="lg">
        Another round
      </Button>
    </Card>
  );
}

function ratioWords(ratio: number): string {
  if (ratio < 0.9) return `you were quicker, at ${ratio.toFixed(1)} of its minutes`;
  return ratio <= 1.1 ? 'as quick as you' : `you took ${ratio.toFixed(1)} times as long`;
}

function searchWords(job: Job, grid: ProvingGrid, { check, saw }: SearchStep): string {
  if (check.kind === 'cell') {
    const cell = grid.cells.find(({ id }) => id === check.cellId);
    const seen = 'cell' in saw ? saw.cell : [];
    return `${cell?.name ?? check.cellId}: ${seen.length === 0 ? 'as it should be' : deviationsWords(job.vehicle, seen, 4)}.`;
  }
  const there = grid.faults.filter(({ id }) => check.faultIds.includes(id)).map(({ fault }) => fault);
  const name = placeWords(there, job.vehicle);
  const found = 'place' in saw ? saw.place : null;
  return `${name}: ${found ? `found, ${faultName(found.fault, job.vehicle)}` : 'nothing wrong there'}.`;
}
