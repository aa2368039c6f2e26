import { useCallback, useMemo, useState } from 'react';
import type { Configuration } from '../../../core/model/cures.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from '../../../core/simulation/controls.ts';
import { fitmentOf } from '../../../core/simulation/fitment.ts';
import { supplyVoltsFor } from '../../../core/traces/supply.ts';
import type { Traces } from '../../../core/traces/traceLamps.ts';
import type { Workspace } from '../../job/workspace.ts';
import { AT_REST } from '../../workers/useTraces.ts';

/** A workspace for the plan and the driver's panel of a round: nothing in it is written anywhere, and lamps are seen when looked at. */
export function useRoundWorkspace(job: Job, shelf: Shelf, configuration: Configuration) {
  const [controls, setAll] = useState<Controls>(CONTROLS_OFF);
  const [traces, setTraces] = useState<Traces>(AT_REST);
  const [lampId, selectLamp] = useState<string | null>(null);
  const fitments = useMemo(
    () => ({
      stock: fitmentOf(job, shelf, 'stock'),
      leds: fitmentOf(job, shelf, 'leds'),
      cured: fitmentOf(job, shelf, 'cured'),
    }),
    [job, shelf],
  );
  const setControls = useCallback((change: Partial<Controls>) => {
    setAll((now) => ({ ...now, ...change }));
    // What was seen was seen with the panel as it was.
    setTraces(AT_REST);
  }, []);
  const nothing = () => undefined;
  const [circuit] = turnCircuits(job.vehicle);
  const workspace: Workspace = {
    job,
    shelf,
    edit: nothing,
    fitments,
    board: null,
    judging: false,
    boardTrouble: null,
    progress: null,
    configuration,
    setConfiguration: nothing,
    controls,
    setControls,
    supplyVolts: supplyVoltsFor(job.vehicle, controls.key),
    setSupplyVolts: nothing,
    traces,
    tracing: false,
    tracesTrouble: null,
    fault: null,
    setFault: nothing,
    lamp: job.vehicle.lamps.find(({ id }) => id === lampId) ?? null,
    selectLamp,
    circuit: circuit as Workspace['circuit'],
    selectCircuit: nothing,
    alike: false,
    setAlike: nothing,
  };
  return { workspace, seen: traces !== AT_REST, setTraces };
}
