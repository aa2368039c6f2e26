import { useQuery } from '@tanstack/react-query';
import type { SteadyComplaint } from '../../../core/cures/compare/steadyCures.ts';
import { useDesk } from '../../job/workspace.ts';
import { electrics } from '../../workers/electrics.ts';
import { engine } from '../../workers/engine.ts';
import { CureTable } from './CureTable.tsx';

/** Stop, tail and the other circuits that something minds once their LEDs are in, each with every cure tried on it. */
export function SteadyCures() {
  const { job, shelf } = useDesk();
  const { data, error, isFetching } = useQuery<SteadyComplaint[]>({
    queryKey: ['steady-cures', ...electrics(job, shelf)],
    queryFn: () => engine().steadyComplaints(job, shelf),
    placeholderData: (before) => before,
  });
  if (error) return <p role="alert">The other circuits could not be tried: {error.message}</p>;
  return data?.map(({ circuitId, cures, verdict }) => {
    const circuit = job.vehicle.circuits.find((each) => each.id === circuitId);
    return (
      circuit && (
        <div key={circuitId} role="group" aria-label={circuit.name}>
          <CureTable reports={cures} error={null} busy={isFetching} circuit={circuit} verdict={verdict} />
        </div>
      )
    );
  });
}
