import { useMemo } from 'react';
import { jobCautions } from '../../../core/cures/cautions.ts';
import type { TurnVerdict } from '../../../core/judge/verdict.ts';
import { useDesk } from '../../job/workspace.ts';
import { Caution } from '../../ui/Caution.tsx';
import classes from './CautionsCard.module.css';

/** What has to be minded with this job's LEDs and cures as they stand. */
export function CautionsCard({ verdict }: { verdict: TurnVerdict }) {
  const { job, shelf } = useDesk();
  const cautions = useMemo(() => jobCautions(job, shelf, verdict), [job, shelf, verdict]);
  if (cautions.length === 0) return null;
  return (
    <Caution>
      <dl className={classes.cautions}>
        {cautions.map((caution) => (
          <div key={caution.id}>
            <dt>{caution.title}</dt>
            <dd>{caution.text}</dd>
          </div>
        ))}
      </dl>
    </Caution>
  );
}
