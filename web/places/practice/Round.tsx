import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Configuration } from '../../../core/model/cures.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { LEVELS } from '../../../core/practice/hidden.ts';
import type { ProvingGrid } from '../../../core/proving/grid.ts';
import { practice } from '../../workers/practice.ts';
import type { RoundBegun } from '../../workers/practice.worker.ts';
import { useProving } from '../../workers/useProving.ts';
import classes from './Practice.module.css';
import { RoundBoard } from './RoundBoard.tsx';

/** One round: sets it up, with how far that is, and plays it. */
export function Round({ jobs, shelf }: { jobs: readonly Job[]; shelf: Shelf }) {
  const [asked] = useSearchParams();
  const chosen = jobs.find(({ id }) => id === asked.get('job'));
  // What was seen of the vehicle has no part in a round: the same number is the same round.
  const job = useMemo(() => chosen && { ...chosen, evidence: [] }, [chosen]);
  const level = LEVELS.find((each) => each === asked.get('level')) ?? 'easy';
  const seed = Math.min(9999, Math.max(1, Math.round(Number(asked.get('seed')) || 1)));
  const { data: configuration, error } = useQuery<Configuration>({
    queryKey: ['practice-configuration', job?.id],
    queryFn: () => practice().configuration(job as Job, shelf),
    enabled: job !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  return (
    <div className={classes.round}>
      <p className={classes.back}>
        <Link to="/practice">Practice</Link>
      </p>
      {!job && <p>This vehicle is not here. Choose another round.</p>}
      {error && <p role="alert">This round cannot be set up: {error.message}</p>}
      {job && configuration && (
        <SetUp
          key={`${job.id} ${seed} ${level}`}
          job={job}
          shelf={shelf}
          configuration={configuration}
          setup={{ seed, level }}
        />
      )}
    </div>
  );
}

interface SetUpProps {
  job: Job;
  shelf: Shelf;
  configuration: Configuration;
  setup: { seed: number; level: (typeof LEVELS)[number] };
}

function SetUp({ job, shelf, configuration, setup }: SetUpProps) {
  const { grid, progress, trouble, stopped, stop, again } = useProving(job, shelf, configuration);
  const { data: begun, error } = useQuery<RoundBegun>({
    queryKey: ['practice-round', job.id, setup, configuration],
    queryFn: () => practice().begin(job, shelf, grid as ProvingGrid, setup, configuration),
    enabled: grid !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    retry: false,
  });
  const wrong = trouble ?? error;
  if (wrong) return <p role="alert">This round cannot be set up: {wrong.message}</p>;
  if (!begun || !grid)
    return (
      <div role="status">
        <p>
          {stopped
            ? 'Stopped.'
            : `Setting the round up: what each fault shows on this vehicle${progress && progress.of > 0 ? `, ${progress.done} of ${progress.of}` : ''}.`}
        </p>
        <Button variant="default" onClick={stopped ? again : stop}>
          {stopped ? 'Set it up' : 'Stop'}
        </Button>
      </div>
    );
  if (begun.hidden === 0 || !begun.complaint)
    return (
      <p>
        This vehicle has nothing that could be hidden on it: none of its faults would show. Choose another.
      </p>
    );
  return (
    <RoundBoard
      job={job}
      shelf={shelf}
      configuration={configuration}
      setup={setup}
      begun={begun}
      grid={grid}
    />
  );
}
