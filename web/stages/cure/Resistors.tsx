import type { ResistorPlan } from '../../../core/cures/loadResistor/plan.ts';
import { useDesk } from '../../job/workspace.ts';
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
  const { vehicle } = useDesk().job;
  const open = vehicle.facts?.flashers !== undefined && !vehicle.facts.flasherSeen;
  return (
    <div className={classes.columns}>
      <Card title="Load resistors that would hold here">
        {open && (
          <p className="faint">
            Nobody has looked what flashes it: these are sized for a {vehicle.flasher.name}, as it is drawn.
            Whether a set holds on every flasher it may have, the table of cures says.
          </p>
        )}
        <ResistorTable plan={plan} error={error} busy={busy} />
        <OwnResistors />
      </Card>
      <Arithmetic plan={plan} />
    </div>
  );
}
