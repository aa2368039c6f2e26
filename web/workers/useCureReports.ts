import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { CureReport } from '../../core/cures/compare/evaluate.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import { electrics, revisionOf } from './electrics.ts';
import { engine } from './engine.ts';
import { latestOnly } from './latestOnly.ts';
import { useAnswer } from './useAnswer.ts';

const inTurn = latestOnly();

/** Every cure of the turn lamps tried in the worker; the old reports stay until the new are there. */
export function useCureReports(job: Job, shelf: Shelf, circuit: TurnCircuit, enabled = true) {
  return useAnswer(
    useQuery<CureReport[]>({
      queryKey: ['cures', circuit.id, revisionOf(shelf), ...electrics(job, shelf)],
      queryFn: ({ signal }) => inTurn(signal, () => engine().compareTurnCures(job, shelf, circuit)),
      placeholderData: keepPreviousData,
      enabled,
    }),
  );
}
