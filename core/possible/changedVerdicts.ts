import { type VerdictState, worstState } from '../judge/states.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { scopeCircuits } from '../model/scope.ts';
import { type Verdicts, verdictsOf } from './verdicts.ts';

/** A circuit whose verdict is another since what nobody had looked at is open. */
export interface ChangedVerdict {
  circuitId: string;
  name: string;
  was: VerdictState;
  is: VerdictState;
}

/**
 * The circuits of a job whose verdict as cured is another now that what an earlier version took for granted is open; none
 * where it makes no difference, or somebody has looked since.
 *
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 */
export function changedVerdicts(job: Job, shelf: Shelf): ChangedVerdict[] {
  if (!job.reopened) return [];
  const before = statesOf(verdictsOf(asTaken(job), shelf));
  const now = statesOf(verdictsOf(job, shelf));
  return scopeCircuits(job).flatMap(({ id: circuitId, name }) => {
    const [was, is] = [before.get(circuitId), now.get(circuitId)];
    return was !== undefined && is !== undefined && was !== is ? [{ circuitId, name, was, is }] : [];
  });
}

const NOTHING_TAKEN: NonNullable<Job['reopened']> = { settings: [], mounts: [], brakeSense: false };

/** The job as an earlier version took it: what is still open, as it was assumed then. */
function asTaken(job: Job): Job {
  const { settings, mounts, brakeSense, outputs } = job.reopened ?? NOTHING_TAKEN;
  const vehicle = structuredClone(job.vehicle);
  if (vehicle.flasher.kind === 'controller')
    for (const { circuitId, watch } of vehicle.flasher.outputs)
      if (watch && watch.canSetLed === null && settings.includes(circuitId)) watch.canSetLed = true;
  for (const lamp of vehicle.lamps)
    if (lamp.resistorMount === 'unknown' && mounts.includes(lamp.id)) lamp.resistorMount = 'none';
  if (brakeSense) vehicle.facts = { brakeSensed: false, ...vehicle.facts };
  if (outputs) delete vehicle.facts?.turnOutputs;
  return { ...job, vehicle };
}

function statesOf({ cured, steady }: Verdicts): ReadonlyMap<string, VerdictState> {
  const states = new Map<string, VerdictState>();
  for (const { circuitId, state } of [...cured.circuits, ...steady.map(({ is }) => is)])
    states.set(circuitId, worstState([states.get(circuitId) ?? 'holds', state]));
  return states;
}
