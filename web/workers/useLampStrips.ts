import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Controls } from '../../core/simulation/controls.ts';
import type { ConfigurationStrips } from '../../core/traces/lampStrips.ts';
import { electrics } from './electrics.ts';
import { engine } from './engine.ts';
import { latestOnly } from './latestOnly.ts';

const inTurn = latestOnly();

/** Four seconds of the lit lamps in the three states, computed in the worker; the old ones stay until the new are there. */
export function useLampStrips(job: Job, shelf: Shelf, controls: Controls, supplyVolts: number) {
  return useQuery<ConfigurationStrips[]>({
    queryKey: ['strips', controls, supplyVolts.toFixed(1), ...electrics(job, shelf)],
    queryFn: ({ signal }) => inTurn(signal, () => engine().lampStrips(job, shelf, controls, supplyVolts)),
    placeholderData: keepPreviousData,
  });
}
