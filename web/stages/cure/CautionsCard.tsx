import { useMemo } from 'react';
import { jobCautions } from '../../../core/cures/cautions.ts';
import type { TurnVerdict } from '../../../core/judge/verdict.ts';
import { useDesk } from '../../job/workspace.ts';
import { Caution } from '../../ui/Caution.tsx';
import classes from './CautionsCard.module.css';

/** What has to be minded with this job's LEDs and cures as they stand: each by name, the whole of it one press away. */
export function CautionsCard({ verdict }: { verdict: TurnVerdict }) {
  const { job, shelf } = useDesk();
  const cautions = useMemo(() => jobCautions(job, shelf, verdict), [job, shelf, verdict]);
  if (cautions.length === 0) return null;
  return (
    <Caution>
      <div className={classes.cautions}>
        {cautions.map((caution) => (
          <details key={caution.id}>
            <summary>{caution.title}</summary>
            {caution.text}
          </details>
        ))}
      </div>
    </Caution>
  );
}
