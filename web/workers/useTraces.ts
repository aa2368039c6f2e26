import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Fault } from '../../core/faults/kinds.ts';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Controls } from '../../core/simulation/controls.ts';
import type { Traces } from '../../core/traces/traceLamps.ts';
import { electrics } from './electrics.ts';
import { tracer } from './engine.ts';
import { latestOnly } from './latestOnly.ts';

const inTurn = latestOnly();

/** Nothing lit, nothing said: until the first answer is there. */
export const AT_REST: Traces = {
  sides: [],
  ratePerMinute: null,
  onFraction: 1,
  periodSeconds: 1,
  watchedAmps: 0,
  thresholdAmps: 0,
  missesLamp: false,
  thresholdAssumed: false,
  lamps: [],
  events: [],
  blownFuses: [],
  effects: [],
};

/** What is played: the vehicle as it is fitted, and what the driver does. */
interface Played {
  job: Job;
  shelf: Shelf;
  configuration: Configuration;
  controls: Controls;
  supplyVolts: number;
  fault: Fault | null;
}

/**
 * What the vehicle does with the panel as it is, simulated in a worker. The last answer stays on the plan until the
 * next is there, so that no switch makes the lamps blink; an answer that is overtaken is never shown.
 */
export function useTraces(
  { job, shelf, configuration, controls, supplyVolts, fault }: Played,
  enabled: boolean,
): { traces: Traces; busy: boolean; trouble: Error | null } {
  const query = useQuery<Traces>({
    queryKey: ['traces', configuration, controls, supplyVolts.toFixed(2), fault, ...electrics(job, shelf)],
    queryFn: ({ signal }) =>
      inTurn(signal, () =>
        tracer().traceLamps(job, shelf, configuration, controls, supplyVolts, fault ? [fault] : []),
      ),
    placeholderData: keepPreviousData,
    enabled,
  });
  return { traces: query.data ?? AT_REST, busy: query.isFetching, trouble: query.error };
}
