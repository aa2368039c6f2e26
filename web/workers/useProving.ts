import { useQuery, useQueryClient } from '@tanstack/react-query';
import { proxy, type Remote, wrap } from 'comlink';
import { partsOf } from '../../core/formats/jobFile.ts';
import { asTried } from '../../core/judge/evidenceRead.ts';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Whereabouts } from '../../core/proving/checks.ts';
import type { FaultFinding } from '../../core/proving/finding.ts';
import type { FaultRow, ProvingGrid } from '../../core/proving/grid.ts';
import type { Told } from '../../core/proving/told.ts';
import { electrics } from './electrics.ts';
import { named } from './named.ts';
import type { GridRun, ProvingWorker } from './proving.worker.ts';

/** So many work on one grid at a time: a phone and an old laptop have that many cores. */
const SHARES = 2;

const started: Remote<ProvingWorker>[] = [];
let runs = 0;

/** The proving grid and the fault finder, started when Prove is first opened; the first one holds the finder. */
function proving(part = 0): Remote<ProvingWorker> {
  started[part] ??= wrap<ProvingWorker>(
    new Worker(new URL('./proving.worker.ts', import.meta.url), {
      type: 'module',
      name: named(`proving-${part}`),
    }),
  );
  return started[part];
}

const NO_ROW: FaultRow = { shown: [], surely: [] };

const PARTS = Array.from({ length: SHARES }, (_, part) => part);

/**
 * Works a grid out, every worker its share of the faults.
 *
 * @throws DOMException `AbortError` where it was stopped
 */
async function workOut(
  about: Omit<GridRun, 'run'>,
  signal: AbortSignal,
  told: (done: number, of: number) => void,
): Promise<ProvingGrid> {
  const known = await proving().known(about.key);
  if (known) return known;
  runs += 1;
  const run: GridRun = { ...about, run: runs };
  signal.addEventListener('abort', () => {
    for (const part of PARTS) void proving(part).stop(run.run);
  });
  const done = PARTS.map(() => 0);
  const shares = await Promise.all(
    PARTS.map((part) => {
      const tell = (count: number, of: number) => {
        done[part] = count;
        told(
          done.reduce((sum, each) => sum + each, 0),
          of,
        );
      };
      return proving(part).rows(run, { part, of: SHARES }, proxy(tell));
    }),
  );
  if (shares.some((each) => each === null)) throw new DOMException('The grid was stopped.', 'AbortError');
  const count = shares.reduce((sum, each) => sum + (each?.length ?? 0), 0);
  const rows = Array.from(
    { length: count },
    (_, at) => shares[at % SHARES]?.[Math.floor(at / SHARES)] ?? NO_ROW,
  );
  return proving().grid(run, rows);
}

/** Under which a grid is kept: whatever of a job its cells and faults follow from. */
export function gridKey(job: Job, shelf: Shelf, configuration: Configuration): string {
  return [configuration, ...electrics(asTried(job), shelf)].join();
}

export interface Proving {
  grid: ProvingGrid | undefined;
  key: string;
  /** faults worked out so far of how many, while it is worked out */
  progress: { done: number; of: number } | null;
  trouble: Error | null;
  /** whether it was stopped by hand */
  stopped: boolean;
  stop(): void;
  again(): void;
}

/** A job's proving grid, worked out in a worker of its own; an edit that changes it ends the old one. */
export function useProving(job: Job, shelf: Shelf, configuration: Configuration = 'cured'): Proving {
  const client = useQueryClient();
  const key = gridKey(job, shelf, configuration);
  const progressKey = ['proving-progress', key];
  const query = useQuery<ProvingGrid>({
    queryKey: ['proving', key],
    queryFn: ({ signal }) =>
      workOut({ key, job, shelf: partsOf(job, shelf), configuration }, signal, (done, of) =>
        client.setQueryData(progressKey, { done, of }),
      ),
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const { data: progress } = useQuery<{ done: number; of: number }>({
    queryKey: progressKey,
    queryFn: () => ({ done: 0, of: 0 }),
    enabled: false,
  });
  return {
    grid: query.data,
    key,
    progress: query.isFetching ? (progress ?? { done: 0, of: 0 }) : null,
    trouble: query.error,
    stopped: !query.isFetching && !query.data && !query.error,
    stop: () => void client.cancelQueries({ queryKey: ['proving', key] }),
    again: () => void query.refetch(),
  };
}

/** What may be wrong with a vehicle, worked out anew with everything that is told. */
export function useFinding(
  { key, grid }: Proving,
  { job, shelf }: { job: Job; shelf: Shelf },
  told: Told,
  whereabouts: Whereabouts,
) {
  return useQuery<FaultFinding | null>({
    queryKey: ['finding', key, JSON.stringify(told), JSON.stringify(whereabouts)],
    queryFn: async () => {
      const found = await proving().find(key, told, whereabouts);
      if (found || !grid) return found;
      // The worker keeps few grids; this one was left for others, and is here still.
      await proving().restore(key, job, grid, partsOf(job, shelf));
      return proving().find(key, told, whereabouts);
    },
    enabled: grid !== undefined,
    placeholderData: (before, query) => (query?.queryKey[1] === key ? before : undefined),
  });
}
