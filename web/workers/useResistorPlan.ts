import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { ResistorPlan } from '../../core/cures/loadResistor/plan.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import { turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { electrics } from './electrics.ts';
import { engine } from './engine.ts';

/**
 * The resistor plan of one side, computed in the worker. Until a new one is there the old one stays, so
 * that an edit never blanks the table.
 */
export function useResistorPlan(job: Job, shelf: Shelf, circuit: TurnCircuit, enabled = true) {
  return useQuery<ResistorPlan>({
    queryKey: ['resistors', circuit.id, ...electrics(job, shelf)],
    queryFn: () => engine().planResistors(job, shelf, circuit, turnCircuits(job.vehicle).length),
    placeholderData: keepPreviousData,
    enabled,
  });
}
