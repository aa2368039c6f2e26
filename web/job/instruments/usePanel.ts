import { useMemo } from 'react';
import type { BenchPanel } from '../../../core/instruments/benchVehicle.ts';
import { useWorkspace } from '../workspace.ts';

/** The vehicle as it stands beside the stages: what is fitted, switched on, and its supply. */
export function usePanel(): BenchPanel {
  const { configuration, controls, supplyVolts } = useWorkspace();
  return useMemo(
    () => ({ configuration, controls, emfVolts: supplyVolts }),
    [configuration, controls, supplyVolts],
  );
}
