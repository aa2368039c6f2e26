import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { ResistorPlan } from '../../core/cures/loadResistor/plan.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import { turnCircuits } from '../../core/model/vehicle/vehicle.ts';
import { engine } from './engine.ts';

/**
 * The resistor plan of one side, computed in the worker. Until a new one is there the old one stays, so
 * that an edit never blanks the table.
 */
export function useResistorPlan(job: Job, shelf: Shelf, circuit: TurnCircuit) {
  // Only what the plan depends on: a note typed elsewhere must not start the search again.
  const { vehicle, identified, chosen, lookOver, findings } = job;
  const cure = job.cures[circuit.id] ?? null;
  const resistors = shelf.filter((part) => part.kind === 'resistor');
  return useQuery<ResistorPlan>({
    queryKey: [
      'resistors',
      circuit.id,
      vehicle,
      identified,
      chosen,
      lookOver.lamps,
      findings,
      cure,
      resistors,
    ],
    queryFn: () => engine().planResistors(job, shelf, circuit, turnCircuits(vehicle).length),
    placeholderData: keepPreviousData,
  });
}
