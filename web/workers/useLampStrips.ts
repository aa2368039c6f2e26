import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Side } from '../../core/model/vehicle.ts';
import type { StageStrips } from '../../core/rehearsal/lampStrips.ts';
import { engine } from './engine.ts';

/** Four seconds of a side's lamps in the three states, computed in the worker; the old ones stay until the new are there. */
export function useLampStrips(job: Job, shelf: Shelf, side: Side, supplyVolts: number) {
  const { vehicle, identified, chosen, lookOver, cures } = job;
  return useQuery<StageStrips[]>({
    queryKey: ['strips', side, supplyVolts.toFixed(1), vehicle, identified, chosen, lookOver.lamps, cures],
    queryFn: () => engine().lampStrips(job, shelf, [side], supplyVolts),
    placeholderData: keepPreviousData,
  });
}
