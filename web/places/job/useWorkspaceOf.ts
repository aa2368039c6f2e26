import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import type { Fault } from '../../../core/faults/kinds.ts';
import type { Configuration } from '../../../core/model/cures.ts';
import { isCured } from '../../../core/model/isCured.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { lampIdsOf, turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from '../../../core/simulation/controls.ts';
import { type Fitment, fitmentOf, UnknownReferenceError } from '../../../core/simulation/fitment.ts';
import { supplyVoltsFor } from '../../../core/traces/supply.ts';
import type { Workspace } from '../../job/workspace.ts';
import { writer } from '../../store/writer.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { useCureBoard } from '../../workers/useCureBoard.ts';
import { useStageProgress } from '../../workers/useStageProgress.ts';
import { useTraces } from '../../workers/useTraces.ts';

/** Builds the shared workspace of a job, or names the reference that keeps it from being computed. */
export function useWorkspaceOf(job: Job, shelf: Shelf): Workspace | { broken: UnknownReferenceError } {
  const [configuration, setConfiguration] = useState<Configuration>(() => latestConfiguration(job));
  const [controls, setAllControls] = useState<Controls>(CONTROLS_OFF);
  const [supplyVolts, setSupplyVolts] = useState(() => supplyVoltsFor(job.vehicle, 'on'));
  const [lampId, setLampId] = useState<string | null>(null);
  const [circuitId, setCircuitId] = useState<string | null>(null);
  const [alike, setAlike] = useState(true);
  const [fault, setFault] = useState<Fault | null>(null);

  const fitted = useFitments(job, shelf);
  // What comes from the workers is drawn in slices, answers and whether they are on their way together: a switch is
  // answered between them, and a drawing that is under way is not begun again for less.
  const judged = useDeferredValue(useCureBoard(job, shelf));
  const board = judged.data ?? null;
  // The lamps wait for the verdict: on a small machine both at once would keep it waiting.
  const { traces, busy, trouble } = useTraces(
    { job, shelf, configuration, controls, supplyVolts, fault },
    board !== null || judged.error !== null,
  );
  const state = judged.isPlaceholderData ? null : (board?.state ?? null);
  const progress = useDeferredValue(useStageProgress(job, shelf, state).data ?? null);

  const jobId = job.id;
  const edit = useCallback<Workspace['edit']>(
    (label, recipe, options) => {
      try {
        writer.edit(jobId, label, recipe, options ?? {}, tellTrouble);
      } catch (error) {
        // The recipe itself refuses: nothing was changed.
        tellTrouble(error as Error);
      }
    },
    [jobId],
  );
  const { vehicle } = job;
  const setControls = useCallback(
    (change: Partial<Controls>) => {
      setAllControls((now) => ({ ...now, ...change }));
      if (change.key !== undefined) setSupplyVolts(supplyVoltsFor(vehicle, change.key));
    },
    [vehicle],
  );
  const selectLamp = useCallback(
    (id: string | null) => {
      setLampId(id);
      const circuit = turnCircuits(vehicle).find((each) => id !== null && lampIdsOf(each).includes(id));
      if (circuit) setCircuitId(circuit.id);
    },
    [vehicle],
  );
  const selectCircuit = useCallback((id: string) => {
    setCircuitId(id);
    setLampId(null);
  }, []);

  if ('broken' in fitted) return fitted;
  const turns = turnCircuits(vehicle);
  const circuit = turns.find((each) => each.id === circuitId) ?? turns[0];
  if (!circuit) throw new Error('A job without a circuit should not have passed its schema');
  return {
    job,
    shelf,
    edit,
    ...fitted,
    board,
    judging: judged.isFetching,
    boardTrouble: judged.error,
    progress,
    configuration,
    setConfiguration,
    controls,
    setControls,
    supplyVolts,
    setSupplyVolts,
    traces,
    tracing: busy,
    tracesTrouble: trouble,
    fault,
    setFault,
    lamp: vehicle.lamps.find((each) => each.id === lampId) ?? null,
    selectLamp,
    circuit,
    selectCircuit,
    alike,
    setAlike,
  };
}

/** The furthest state the job has been planned to. */
function latestConfiguration(job: Job): Configuration {
  if (isCured(job)) return 'cured';
  return Object.values(job.chosen).some((id) => id !== null) ? 'leds' : 'stock';
}

/** What is in every socket in the three configurations; built again only when something it depends on has changed. */
function useFitments(
  job: Job,
  shelf: Shelf,
): { fitments: Record<Configuration, Fitment> } | { broken: UnknownReferenceError } {
  const { vehicle, identified, chosen, cures, vehicleCures } = job;
  const { lamps } = job.lookOver;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what of a job they depend on, and no more
  return useMemo(() => {
    try {
      const of = (configuration: Configuration) => fitmentOf(job, shelf, configuration);
      return { fitments: { stock: of('stock'), leds: of('leds'), cured: of('cured') } };
    } catch (error) {
      if (error instanceof UnknownReferenceError) return { broken: error };
      throw error;
    }
  }, [vehicle, identified, lamps, chosen, cures, vehicleCures, shelf]);
}
