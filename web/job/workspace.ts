import { createContext, useContext } from 'react';
import type { CureBoard } from '../../core/cures/board/board.ts';
import type { Fault } from '../../core/faults/kinds.ts';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import type { Lamp } from '../../core/model/vehicle/lamp.ts';
import type { Controls } from '../../core/simulation/controls.ts';
import type { Fitment } from '../../core/simulation/fitment.ts';
import type { Traces } from '../../core/traces/traceLamps.ts';
import type { StageProgress } from '../../core/work/stages.ts';
import type { EditOptions, Recipe } from '../store/edits.ts';

/** What both halves of the job screen share: the job, what was computed of it, and what is in hand. */
export interface Workspace {
  job: Job;
  shelf: Shelf;
  /** saves a change of the job; trouble is shown, never thrown */
  edit(label: string, recipe: Recipe, options?: EditOptions): void;
  fitments: Record<Configuration, Fitment>;
  /** every circuit judged in the worker; null until the first answer is there */
  board: CureBoard | null;
  /** whether a newer one is on its way */
  judging: boolean;
  boardTrouble: Error | null;
  /** what each stage still has open; null until it is counted */
  progress: readonly StageProgress[] | null;
  configuration: Configuration;
  setConfiguration(configuration: Configuration): void;
  controls: Controls;
  setControls(change: Partial<Controls>): void;
  supplyVolts: number;
  setSupplyVolts(volts: number): void;
  traces: Traces;
  /** whether a newer answer is on its way */
  tracing: boolean;
  tracesTrouble: Error | null;
  /** something wrong that is only being tried out; never part of the job */
  fault: Fault | null;
  setFault(fault: Fault | null): void;
  /** the lamp in hand, selected on either half */
  lamp: Lamp | null;
  selectLamp(id: string | null): void;
  /** the circuit in hand: that of the lamp, or the one chosen on the Cure stage */
  circuit: TurnCircuit;
  selectCircuit(id: string): void;
  /** whether what is done to a lamp of one flank is done to its twin on the other */
  alike: boolean;
  setAlike(alike: boolean): void;
}

/** The screen beside the stages on which the vehicle itself is corrected; the plan is then a drawing to work on. */
export const VEHICLE_SCREEN = 'vehicle';
/** The screen beside the stages on which instruments are held to the vehicle. */
export const BENCH_SCREEN = 'bench';
/** What stands beside the stages. */
export type BesideStages = typeof VEHICLE_SCREEN | typeof BENCH_SCREEN;

/** What moves while a switch or the supply slider is worked. */
type Live =
  | 'controls'
  | 'setControls'
  | 'supplyVolts'
  | 'setSupplyVolts'
  | 'traces'
  | 'tracing'
  | 'tracesTrouble'
  | 'fault'
  | 'setFault';

/** The workspace without what moves by itself: who needs no more is not drawn anew while a slider is dragged. */
export type Desk = Omit<Workspace, Live>;

export const DeskContext = createContext<Desk | null>(null);

/** @throws Error outside a job screen */
export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (!desk) throw new Error('useDesk needs a job screen around it');
  return desk;
}

export const WorkspaceContext = createContext<Workspace | null>(null);

/** @throws Error outside a job screen */
export function useWorkspace(): Workspace {
  const workspace = useContext(WorkspaceContext);
  if (!workspace) throw new Error('useWorkspace needs a job screen around it');
  return workspace;
}
