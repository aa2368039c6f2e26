import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { SteadyComplaint, SteadyCure } from '../../../core/cures/compare/steadyCures.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import { electrics } from '../../workers/electrics.ts';
import { engine } from '../../workers/engine.ts';
import classes from './SteadyCures.module.css';

/** Stop, tail and the other circuits that something minds once their LEDs are in, each with every cure tried on it. */
export function SteadyCures() {
  const { job, shelf } = useDesk();
  const { data, error } = useQuery<SteadyComplaint[]>({
    queryKey: ['steady-cures', ...electrics(job), shelf],
    queryFn: () => engine().steadyComplaints(job, shelf),
    placeholderData: (before) => before,
  });
  if (error) return <p role="alert">The other circuits could not be tried: {error.message}</p>;
  if (!data || data.length === 0) return null;
  return (
    <Card title="Other circuits that mind their LEDs">
      {data.map((complaint) => (
        <Complaint key={complaint.circuitId} complaint={complaint} />
      ))}
    </Card>
  );
}

function Complaint({ complaint }: { complaint: SteadyComplaint }) {
  const { job, edit, setStage } = useDesk();
  const circuit = job.vehicle.circuits.find((each) => each.id === complaint.circuitId);
  if (!circuit) return null;
  const choose = (cure: SteadyCure) => {
    const { change } = cure;
    if (!change) return;
    edit(`${circuit.name}: ${cure.name}`, (draft) => {
      draft.chosen = change.chosen;
      draft.cures = change.cures;
      draft.vehicleCures = change.vehicleCures;
    });
    setStage('cured');
  };
  return (
    <div role="group" className={classes.complaint} aria-label={circuit.name}>
      <div className={classes.head}>
        <b>{circuit.name}</b>
        <VerdictBadge state={complaint.verdict.state} />
        <span className="faint">without a cure: {complaint.verdict.reasons[0]}</span>
      </div>
      <ul className={classes.cures}>
        {complaint.cures.map((cure) => {
          const inForce =
            cure.change !== null &&
            JSON.stringify([
              cure.change.chosen,
              cure.change.cures,
              cure.change.vehicleCures.map((each) => JSON.stringify(each)).toSorted(),
            ]) ===
              JSON.stringify([
                job.chosen,
                job.cures,
                job.vehicleCures.map((each) => JSON.stringify(each)).toSorted(),
              ]);
          return (
            <li key={cure.id}>
              <span>
                <b>{cure.name}</b> {cure.state && <VerdictBadge state={cure.state} />}
                <span className="faint">
                  {cure.state === null ? ' out of the question: ' : ' '}
                  {cure.reason}
                </span>
              </span>
              {cure.change && (
                <Button
                  size="xs"
                  variant={inForce ? 'filled' : 'default'}
                  aria-label={`${inForce ? 'Chosen' : 'Choose'} ${cure.name} for ${circuit.name}`}
                  onClick={() => choose(cure)}
                >
                  {inForce ? 'Chosen' : 'Choose'}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
