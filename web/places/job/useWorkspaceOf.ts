import { randomId } from '@mantine/hooks';
import { useCallback, useMemo, useRef, useState } from 'react';
import { JobAnalysis } from '../../../core/judge/analysis.ts';
import { Judge } from '../../../core/judge/judge.ts';
import type { TurnVerdict } from '../../../core/judge/verdict.ts';
import type { Configuration, Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { lampIdsOf, turnCircuits } from '../../../core/model/vehicle/vehicle.ts';
import { CONTROLS_OFF, type Controls } from '../../../core/simulation/controls.ts';
import type { Fault } from '../../../core/simulation/fault.ts';
import { UnknownReferenceError } from '../../../core/simulation/fitment.ts';
import { supplyVoltsFor } from '../../../core/traces/traceLamps.ts';
import { stageProgress } from '../../../core/work/stages.ts';
import type { Workspace } from '../../job/workspace.ts';
import { editJob } from '../../store/edits.ts';
import { notePending, strikePending } from '../../store/pendingEdits.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { useTraces } from '../../workers/useTraces.ts';

type Computed = Pick<Workspace, 'judges' | 'verdicts' | 'progress'>;

/** Builds the shared workspace of a job, or names the reference that keeps it from being computed. */
export function useWorkspaceOf(job: Job, shelf: Shelf): Workspace | { broken: UnknownReferenceError } {
  const [configuration, setConfiguration] = useState<Configuration>(() => latestConfiguration(job));
  const [controls, setAllControls] = useState<Controls>(CONTROLS_OFF);
  const [supplyVolts, setSupplyVolts] = useState(() => supplyVoltsFor(job.vehicle, 'on'));
  const [lampId, setLampId] = useState<string | null>(null);
  const [circuitId, setCircuitId] = useState<string | null>(null);
  const [alike, setAlike] = useState(true);

  const computed = useComputed(job, shelf);
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
 * The three states judged, each only when something it depends on has changed: a note typed somewhere judges nothing,
 * a resistor picked judges the cured state alone.
 */
function useComputed(job: Job, shelf: Shelf): Computed | { broken: UnknownReferenceError } {
  const { vehicle, identified, chosen, cures, vehicleCures, findings } = job;
  const { lamps } = job.lookOver;
  const latest = useRef(job);
  latest.current = job;
  // What follows from vehicle and bulbs alone is taken over from edit to edit.
  const known = useRef<JobAnalysis | null>(null);
  const judge = (configuration: Configuration) => {
    const before = known.current?.shelf === shelf ? known.current : null;
    return judged(latest.current, shelf, configuration, before, (analysis) => {
      known.current = analysis;
    });
  };
  const uncured = vehicleCures.length === 0 && Object.values(cures).every((cure) => cure === null);
  // biome-ignore-start lint/correctness/useExhaustiveDependencies: what of a job the state depends on, and no more
  const stock = useMemo(() => judge('stock'), [vehicle, identified, lamps, shelf, findings]);
  const leds = useMemo(() => judge('leds'), [vehicle, identified, lamps, chosen, shelf, findings]);
  const cured = useMemo(
    // Without a cure the cured vehicle is the one with its LEDs alone.
    () => (uncured ? leds : judge('cured')),
    [leds, uncured, cures, vehicleCures, findings],
  );
  // biome-ignore-end lint/correctness/useExhaustiveDependencies: as above
  return useMemo(() => {
    if ('broken' in stock) return stock;
    if ('broken' in leds) return leds;
    if ('broken' in cured) return cured;
    try {
      return {
        judges: { stock: stock.judge, leds: leds.judge, cured: cured.judge },
        verdicts: { stock: stock.verdict, leds: leds.verdict, cured: cured.verdict },
        progress: stageProgress(job, shelf, cured.verdict.state),
      };
    } catch (error) {
      if (error instanceof UnknownReferenceError) return { broken: error };
      throw error;
    }
  }, [job, shelf, stock, leds, cured]);
}

type Judged = { judge: Judge; verdict: TurnVerdict } | { broken: UnknownReferenceError };

function judged(
  job: Job,
  shelf: Shelf,
  configuration: Configuration,
  before: JobAnalysis | null,
  keep: (analysis: JobAnalysis) => void,
): Judged {
  const start = performance.now();
  try {
    const analysis = new JobAnalysis(job, shelf, before);
    keep(analysis);
    const judge = new Judge(analysis, configuration);
    const verdict = judge.verdict();
    // For `npm run bench`, which reads it in Chromium.
    performance.measure(`verdict ${configuration}`, { start });
    return { judge, verdict };
  } catch (error) {
    if (error instanceof UnknownReferenceError) return { broken: error };
    throw error;
  }
}
