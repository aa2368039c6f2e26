import { createContext, useContext } from 'react';
import type { Job, Stage } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Lamp, TurnCircuit } from '../../core/model/vehicle.ts';
import type { StopProgress } from '../../core/order/stops.ts';
import type { Controls, Rehearsal } from '../../core/rehearsal/rehearse.ts';
import type { TurnJudge } from '../../core/verdict/judge.ts';
import type { TurnVerdict } from '../../core/verdict/verdict.ts';
import type { EditOptions, Recipe } from '../store/edits.ts';

/** What both halves of the job screen share: the job, what was computed of it, and what is in hand. */
export interface Workspace {
  job: Job;
  shelf: Shelf;
  /** saves a change of the job; trouble is shown, never thrown */
  edit(label: string, recipe: Recipe, options?: EditOptions): void;
  judges: Record<Stage, TurnJudge>;
  verdicts: Record<Stage, TurnVerdict>;
  progress: readonly StopProgress[];
  stage: Stage;
  setStage(stage: Stage): void;
  controls: Controls;
  setControls(change: Partial<Controls>): void;
  supplyVolts: number;
  setSupplyVolts(volts: number): void;
  rehearsal: Rehearsal;
  /** the lamp in hand, selected on either half */
  lamp: Lamp | null;
  selectLamp(id: string | null): void;
  /** the circuit in hand: that of the lamp, or the one chosen on the Cure stop */
  circuit: TurnCircuit;
  selectCircuit(id: string): void;
}

export const WorkspaceContext = createContext<Workspace | null>(null);

/** @throws Error outside a job screen */
export function useWorkspace(): Workspace {
  const workspace = useContext(WorkspaceContext);
  if (!workspace) throw new Error('useWorkspace needs a job screen around it');
  return workspace;
}
