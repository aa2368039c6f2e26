import { Button } from '@mantine/core';
import { isInForce } from '../../../core/cures/compare/inForce.ts';
import { bestInWords } from '../../../core/cures/compare/rank.ts';
import type { CureScope } from '../../../core/cures/compare/scope.ts';
import { useDesk } from '../../job/workspace.ts';
import classes from './Cure.module.css';
import type { Ranking } from './useRanking.ts';
import { useTakeCure } from './useTakeCure.ts';

/** The best of the cures that were tried, in a sentence, ready to be taken. */
export function BestCure({ ranking: { ranked }, scope }: { ranking: Ranking; scope: CureScope }) {
  const { job } = useDesk();
  const take = useTakeCure(scope);
  const [best] = ranked;
  if (!best) return null;
  const { report } = best;
  const offered = report.state === 'holds' && !isInForce(job, report.option, scope);
  return (
    <div className={classes.best}>
      <p>{bestInWords(ranked)}</p>
      {offered && (
        <Button
          size="compact-sm"
          onClick={() => take(report)}
          aria-label={`Take the best: ${report.option.name}`}
        >
          Take it
        </Button>
      )}
    </div>
  );
}
