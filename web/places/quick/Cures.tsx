import type { UseQueryResult } from '@tanstack/react-query';
import type { CureReport } from '../../../core/cures/compare/evaluate.ts';
import type { QuickAnswer } from '../../../core/quick/answer.ts';
import type { QuickCure } from '../../../core/quick/cure.ts';
import { price } from '../../ui/money.ts';
import classes from './Quick.module.css';

/** The cheapest cure that holds whatever nobody said; or that none does, and what those that might suppose. */
export function Cures({ answer, cure }: { answer: QuickAnswer; cure: UseQueryResult<QuickCure> }) {
  if (answer.state === null || answer.state === 'holds') return null;
  if (cure.error) return <p role="alert">The cures could not be tried: {cure.error.message}</p>;
  if (!cure.data) return <p className={classes.ask}>Trying every cure on every way it may be.</p>;
  const { best, supposing, tried } = cure.data;
  if (tried === 0) return null;
  return (
    <div className={classes.next} aria-busy={cure.isFetching}>
      {best ? (
        <>
          <p className={classes.kind}>Holds whatever is still unknown</p>
          <h2>{best.option.name}</h2>
          <p>{[cost(best), ...best.cautions].join(' ')}</p>
        </>
      ) : (
        <>
          <p className={classes.kind}>None of {tried} cures holds whatever is still unknown</p>
          {supposing.length === 0 && <p>What decides comes first; then there is one to be found.</p>}
        </>
      )}
      {supposing.length > 0 && (
        <ul className={classes.supposing}>
          {supposing.map((report) => (
            <li key={report.option.id}>
              <b>{report.option.name}</b>, {cost(report)} Holds if {report.option.supposes?.join(', and if ')}
              .
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function cost({ price: known, unpriced, parts }: CureReport): string {
  const what = parts.length > 0 ? `${parts.join(', ')}: ` : '';
  if (known === 0 && unpriced === 0) return 'costs nothing.';
  return `${what}${price(known)}${unpriced > 0 ? ` and ${unpriced} without a price` : ''}.`;
}
