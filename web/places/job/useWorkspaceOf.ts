import { randomId } from '@mantine/hooks';
import { useCallback, useMemo, useRef, useState } from 'react';
import { JobAnalysis } from '../../../core/judge/analysis.ts';
import { Judge } from '../../../core/judge/judge.ts';
import type { Configuration, Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { lampIdsOf, turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from '../../../core/simulation/controls.ts';
import type { Fault } from '../../../core/simulation/fault.ts';
import { UnknownReferenceError } from '../../../core/simulation/fitment.ts';
import { supplyVoltsFor } from '../../../core/traces/traceLamps.ts';
import type { Workspace } from '../../job/workspace.ts';
import { editJob } from '../../store/edits.ts';
import { notePending, strikePending } from '../../store/pendingEdits.ts';
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

  const computed = useJudges(job, shelf);
  const judged = useCureBoard(job, shelf);
  const board = judged.data ?? null;
  const progress = useStageProgress(job, shelf, board?.state ?? null).data ?? null;
  const [fault, setFault] = useState<Fault | null>(null);
  const { traces, busy, trouble } = useTraces(job, shelf, configuration, controls, supplyVolts, fault);

  const latest = useRef(job);
  latest.current = job;
  const edit = useCallback<Workspace['edit']>((label, recipe, options) => {
    const id = randomId('act-');
    try {
      notePending(id, latest.current, label, recipe);
    } catch (error) {
      // The recipe itself refuses: nothing was changed.
      tellTrouble(error as Error);
      return;
    }
    editJob(latest.current.id, label, recipe, { ...options, id })
      .catch((error: Error) => tellTrouble(error))
      .finally(() => strikePending(id));
  }, []);
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

  if ('broken' in computed) return computed;
  const turns = turnCircuits(vehicle);
  const circuit = turns.find((each) => each.id === circuitId) ?? turns[0];
  if (!circuit) throw new Error('A job without a circuit should not have passed its schema');
  return {
    job,
    shelf,
    edit,
    ...computed,
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
  if (Object.values(job.cures).some((cure) => cure !== null) || job.vehicleCures.length > 0) return 'cured';
  return Object.values(job.chosen).some((id) => id !== null) ? 'leds' : 'stock';
}

/**
 * The vehicle in its three configurations, ready to be asked on the main thread for one moment at a time; each built
 * again only when something it depends on has changed. Whole verdicts come from the worker.
 */
function useJudges(
  job: Job,
  shelf: Shelf,
): { judges: Record<Configuration, Judge> } | { broken: UnknownReferenceError } {
  const { vehicle, identified, chosen, cures, vehicleCures, findings } = job;
  const { lamps } = job.lookOver;
  // What follows from vehicle and bulbs alone is taken over from edit to edit.
  const known = useRef<JobAnalysis | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what of a job they depend on, and no more
  return useMemo(() => {
    try {
      const before = known.current?.shelf === shelf ? known.current : null;
      const analysis = new JobAnalysis(job, shelf, before);
      known.current = analysis;
      const of = (configuration: Configuration) => new Judge(analysis, configuration);
      return { judges: { stock: of('stock'), leds: of('leds'), cured: of('cured') } };
    } catch (error) {
      if (error instanceof UnknownReferenceError) return { broken: error };
      throw error;
    }
  }, [vehicle, identified, lamps, chosen, cures, vehicleCures, findings, shelf]);
}
