import { randomId } from '@mantine/hooks';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { Job, Stage } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { stopProgress } from '../../core/order/stops.ts';
import { CONTROLS_OFF, type Controls, rehearse, supplyVoltsFor } from '../../core/rehearsal/rehearse.ts';
import { UnknownReferenceError } from '../../core/vehicle/fitment.ts';
import { TurnJudge } from '../../core/verdict/judge.ts';
import { HealthyBands } from '../../core/verdict/outageBand.ts';
import { tellTrouble } from '../app/tellTrouble.ts';
import { editJob } from '../store/edits.ts';
import { notePending, strikePending } from '../store/pendingEdits.ts';
import type { Workspace } from './workspace.ts';

type Computed = Pick<Workspace, 'judges' | 'verdicts' | 'progress'>;

/** Builds the shared workspace of a job, or names the reference that keeps it from being computed. */
export function useWorkspaceOf(job: Job, shelf: Shelf): Workspace | { broken: UnknownReferenceError } {
  const [stage, setStage] = useState<Stage>(() => latestStage(job));
  const [controls, setAllControls] = useState<Controls>(CONTROLS_OFF);
  const [supplyVolts, setSupplyVolts] = useState(() => supplyVoltsFor(job.vehicle, 'on'));
  const [lampId, setLampId] = useState<string | null>(null);
  const [circuitId, setCircuitId] = useState<string | null>(null);

  const computed = useMemo((): Computed | { broken: UnknownReferenceError } => {
    try {
      return compute(job, shelf);
    } catch (error) {
      if (error instanceof UnknownReferenceError) return { broken: error };
      throw error;
    }
  }, [job, shelf]);
  const rehearsal = useMemo(
    () => ('broken' in computed ? null : rehearse(job, shelf, stage, controls, supplyVolts)),
    [computed, job, shelf, stage, controls, supplyVolts],
  );

  const latest = useRef(job);
  latest.current = job;
  const edit = useCallback<Workspace['edit']>((label, recipe, options) => {
    const id = randomId('act-');
    notePending(id, latest.current, label, recipe);
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
      const circuit = vehicle.circuits.find((each) => id !== null && each.lampIds.includes(id));
      if (circuit) setCircuitId(circuit.id);
    },
    [vehicle],
  );
  const selectCircuit = useCallback((id: string) => {
    setCircuitId(id);
    setLampId(null);
  }, []);

  if ('broken' in computed) return computed;
  const circuit = vehicle.circuits.find((each) => each.id === circuitId) ?? vehicle.circuits[0];
  if (!circuit || !rehearsal) throw new Error('A job without a circuit should not have passed its schema');
  return {
    job,
    shelf,
    edit,
    ...computed,
    stage,
    setStage,
    controls,
    setControls,
    supplyVolts,
    setSupplyVolts,
    rehearsal,
    lamp: vehicle.lamps.find((each) => each.id === lampId) ?? null,
    selectLamp,
    circuit,
    selectCircuit,
  };
}

/** The furthest state the job has been planned to. */
function latestStage(job: Job): Stage {
  if (Object.values(job.cures).some((cure) => cure !== null)) return 'cured';
  return Object.values(job.chosen).some((id) => id !== null) ? 'leds' : 'stock';
}

function compute(job: Job, shelf: Shelf): Computed {
  const bands = new HealthyBands(job);
  const judges = {
    stock: new TurnJudge(job, shelf, 'stock', bands),
    leds: new TurnJudge(job, shelf, 'leds', bands),
    cured: new TurnJudge(job, shelf, 'cured', bands),
  };
  const verdicts = {
    stock: judges.stock.verdict(),
    leds: judges.leds.verdict(),
    cured: judges.cured.verdict(),
  };
  return { judges, verdicts, progress: stopProgress(job, shelf, verdicts.cured.state) };
}
