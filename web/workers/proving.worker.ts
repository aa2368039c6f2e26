import { expose } from 'comlink';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Whereabouts } from '../../core/proving/checks.ts';
import { FaultFinder, type FaultFinding } from '../../core/proving/finder.ts';
import { gridWork, type ProvingGrid } from '../../core/proving/grid.ts';
import type { Told } from '../../core/proving/told.ts';

/** How long it works before it listens, ms: a wish to stop is heard so soon. */
const AT_A_STRETCH = 24;
/** Grids are kept for the finder: of the job in hand, and of the one before. */
const KEPT = 2;

const finders = new Map<string, FaultFinder>();
const stopped = new Set<number>();

const api = {
  /**
   * The proving grid of a job, fault by fault.
   *
   * @param run this computation's number, by which it can be stopped
   * @returns null where it was stopped
   */
  async grid(
    run: number,
    key: string,
    job: Job,
    shelf: Shelf,
    configuration: Configuration,
    told: (done: number, of: number) => void,
  ): Promise<ProvingGrid | null> {
    const known = finders.get(key);
    if (known) return known.grid;
    const work = gridWork(job, shelf, configuration);
    let listened = performance.now();
    for (;;) {
      const step = work.next();
      if (step.done) {
        finders.set(key, new FaultFinder(job, step.value));
        for (const old of [...finders.keys()].slice(0, -KEPT)) finders.delete(old);
        return step.value;
      }
      if (performance.now() - listened < AT_A_STRETCH) continue;
      told(step.value.done, step.value.of);
      await new Promise((resolve) => setTimeout(resolve, 0));
      if (stopped.delete(run)) return null;
      listened = performance.now();
    }
  },
  stop(run: number): void {
    stopped.add(run);
  },
  /** What may be wrong by what was told; null where the grid is not there any more. */
  find(key: string, told: Told, whereabouts: Whereabouts): FaultFinding | null {
    return finders.get(key)?.find(told, whereabouts) ?? null;
  },
};
export type ProvingWorker = typeof api;
expose(api);
