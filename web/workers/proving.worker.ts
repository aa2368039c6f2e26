import './writesAsHere.ts';
import { expose } from 'comlink';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import type { Whereabouts } from '../../core/proving/checks.ts';
import { FaultFinder } from '../../core/proving/finder.ts';
import type { FaultFinding } from '../../core/proving/finding.ts';
import { type FaultRow, GridWork, type ProvingGrid } from '../../core/proving/grid.ts';
import type { Told } from '../../core/proving/told.ts';
import { SameAsBefore } from './sameAsBefore.ts';

/** How long it works before it listens, ms: a wish to stop is heard so soon. */
const AT_A_STRETCH = 24;
/** Grids are kept for the finder: of the job in hand, and of the one before. */
const KEPT = 2;

/** One computation of a grid, of which each of several workers does its share. */
export interface GridRun {
  run: number;
  key: string;
  job: Job;
  shelf: Shelf;
  configuration: Configuration;
}

const finders = new Map<string, FaultFinder>();
const stopped = new Set<number>();
const same = new SameAsBefore();
let begun: { key: string; work: GridWork } | null = null;

function workOf({ key, job, shelf, configuration }: GridRun): GridWork {
  if (begun?.key !== key)
    begun = { key, work: new GridWork(same.again(job), same.again(shelf), configuration) };
  return begun.work;
}

function keep(key: string, finder: FaultFinder): void {
  finders.delete(key);
  finders.set(key, finder);
  for (const old of [...finders.keys()].slice(0, -KEPT)) finders.delete(old);
}

const api = {
  /** A grid that was worked out before. */
  known(key: string): ProvingGrid | null {
    return finders.get(key)?.grid ?? null;
  },
  /**
   * Rows of every so-manieth fault of a job's proving grid.
   *
   * @param share which of how many shares is this worker's
   * @returns null where it was stopped
   */
  async rows(
    run: GridRun,
    { part, of }: { part: number; of: number },
    told: (done: number, of: number) => void,
  ): Promise<FaultRow[] | null> {
    const work = workOf(run);
    const rows: FaultRow[] = [];
    let listened = performance.now();
    for (let at = part; at < work.faults.length; at += of) {
      rows.push(work.row(at));
      if (performance.now() - listened < AT_A_STRETCH) continue;
      told(rows.length, work.faults.length);
      await new Promise((resolve) => setTimeout(resolve, 0));
      if (stopped.delete(run.run)) return null;
      listened = performance.now();
    }
    return rows;
  },
  /** The grid of all rows together, and a finder that stands on it. */
  grid(run: GridRun, rows: readonly FaultRow[]): ProvingGrid {
    const grid = workOf(run).grid(rows);
    begun = null;
    keep(run.key, new FaultFinder(run.job, grid, run.shelf));
    return grid;
  },
  stop(run: number): void {
    stopped.add(run);
  },
  /** Has a grid that was worked out before, and left since, to look for faults on again. */
  restore(key: string, job: Job, grid: ProvingGrid, shelf: Shelf): void {
    keep(key, new FaultFinder(job, grid, shelf));
  },
  /** What may be wrong by what was told; null where the grid is not there any more. */
  find(key: string, told: Told, whereabouts: Whereabouts): FaultFinding | null {
    return finders.get(key)?.find(told, whereabouts) ?? null;
  },
};
export type ProvingWorker = typeof api;
expose(api);
