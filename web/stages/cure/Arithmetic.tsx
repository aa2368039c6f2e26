import type { ResistorPlan } from '../../../core/cures/loadResistor/plan.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './Arithmetic.module.css';

/** The sum an installer could do on paper, with this vehicle's numbers put in. */
export function Arithmetic({ plan }: { plan: ResistorPlan | undefined }) {
  if (!plan) return null;
  return (
    <Card title="The arithmetic">
      <dl className={classes.lines}>
        {plan.arithmetic.map((line) => (
          <div key={line.label} className={classes.line}>
            <dt>
              {line.label}
              <span className={classes.working}>{line.working}</span>
            </dt>
            <dd>{line.result}</dd>
          </div>
        ))}
      </dl>
    </Card>
  );
}
