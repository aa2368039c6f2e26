import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { GaugeRow } from '../../core/judge/loadGauge.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { electrics } from './electrics.ts';
import { tracer } from './engine.ts';
import { latestOnly } from './latestOnly.ts';

const inTurn = latestOnly();

/** What the rows of a gauge were computed for: while a slider is dragged, older ones are still shown, and say so. */
export interface Gauge {
  circuitId: string;
  supplyVolts: number;
  rows: readonly GaugeRow[];
}

/**
 * What a circuit draws at one supply, computed in the worker that never waits behind a search; the last rows stay
 * until the next are there.
 */
export function useLoadGauge(
  job: Job,
  shelf: Shelf,
  circuitId: string,
  supplyVolts: number,
  enabled: boolean,
) {
  return useQuery<Gauge>({
    queryKey: ['gauge', circuitId, supplyVolts.toFixed(2), ...electrics(job, shelf)],
    queryFn: ({ signal }) =>
      inTurn(signal, async () => ({
        circuitId,
        supplyVolts,
        rows: await tracer().loadGauge(job, shelf, circuitId, supplyVolts),
      })),
    placeholderData: keepPreviousData,
    enabled,
  });
}
