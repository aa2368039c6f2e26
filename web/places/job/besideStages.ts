import { type ComponentType, lazy } from 'react';
import { BENCH_SCREEN, type BesideStages, VEHICLE_SCREEN } from '../../job/workspace.ts';

/** What may stand beside the stages, fetched when it is opened. */
export const BESIDE: Record<BesideStages, { title: string; Screen: ComponentType }> = {
  [VEHICLE_SCREEN]: {
    title: 'Change the vehicle',
    Screen: lazy(() => import('../../job/vehicle/VehicleEditor.tsx')),
  },
  [BENCH_SCREEN]: { title: 'Bench', Screen: lazy(() => import('../bench/BenchScreen.tsx')) },
};

/** Whether an address names one of them. */
export function isBeside(stage: string | undefined): stage is BesideStages {
  return stage !== undefined && stage in BESIDE;
}
