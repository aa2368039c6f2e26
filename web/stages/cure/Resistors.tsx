import type { ResistorPlan } from '../../../core/cures/loadResistor/plan.ts';
import { Card } from '../../ui/Card.tsx';
import { Arithmetic } from './Arithmetic.tsx';
import classes from './Cure.module.css';
import { OwnResistors } from './OwnResistors.tsx';
import { ResistorTable } from './ResistorTable.tsx';

interface ResistorsProps {
  plan: ResistorPlan | undefined;
  error: Error | null;
  busy: boolean;
}

/** The load resistors that would hold on this side, resistors of one's own, and the sum on paper. */
export function Resistors({ plan, error, busy }: ResistorsProps) {
  return (
    <div className={classes.columns}>
      <Card title="Load resistors that would hold here">
        <ResistorTable plan={plan} error={error} busy={busy} />
        <OwnResistors />
      </Card>
      <Arithmetic plan={plan} />
    </div>
  );
}
