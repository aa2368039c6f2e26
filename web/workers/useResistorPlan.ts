import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { proxy } from 'comlink';
import type { ResistorPlan } from '../../core/cures/loadResistor/plan.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import { turnSides } from '../../core/model/vehicle/lookUp.ts';
import { electrics, revisionOf } from './electrics.ts';
import { engine } from './engine.ts';
import { useAnswer } from './useAnswer.ts';

let runs = 0;

/** Runs one search; it ends when nobody waits for it. */
async function search(
  asked: [job: Job, shelf: Shelf, circuit: TurnCircuit, sides: number],
  signal: AbortSignal,
  told: (share: number) => void,
): Promise<ResistorPlan> {
  runs += 1;
  const run = runs;
  signal.addEventListener('abort', () => void engine().stop(run));
  const plan = await engine().planResistors(run, asked, proxy(told));
  if (!plan) throw new DOMException('The search was stopped.', 'AbortError');
  return plan;
}

const SHARE = ['resistors-share'];

/**
 * The resistor plan of one side, computed in the worker. Until a new one is there the old one stays, so
 * that an edit never blanks the table. It is stopped when the stage is left.
 */
export function useResistorPlan(job: Job, shelf: Shelf, circuit: TurnCircuit, enabled = true) {
  const client = useQueryClient();
  return useAnswer(
    useQuery<ResistorPlan>({
      queryKey: ['resistors', circuit.id, revisionOf(shelf), ...electrics(job, shelf)],
      queryFn: ({ signal }) =>
        search([job, shelf, circuit, turnSides(job.vehicle).length], signal, (share) =>
          client.setQueryData(SHARE, share),
        ),
      placeholderData: keepPreviousData,
      enabled,
    }),
  );
}

/** How far the search under way is, from 0 to 1; for whoever shows it alone, since it changes often. */
export function useResistorShare(): number {
  return useQuery<number>({ queryKey: SHARE, queryFn: () => 0, enabled: false }).data ?? 0;
}
