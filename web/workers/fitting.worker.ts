import './writesAsHere.ts';
import { expose } from 'comlink';
import { pickLines } from '../../core/inventory/picklist.ts';
import { shoppingList } from '../../core/inventory/shoppingList.ts';
import { checkSheet } from '../../core/kits/checkSheet.ts';
import { wholeLedger } from '../../core/ledger/wholeLedger.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { findPins } from '../../core/wiring/pinFinder/findPins.ts';
import { type SaidPlan, sayPlan } from '../../core/words/work/sayPlan.ts';
import { fitSteps, type WorkPlan, workPlan } from '../../core/work/fitSteps.ts';
import { learntTimes } from '../../core/work/times.ts';

/** The order of work, the pin finder, the ledger and the check of kit sheets, beside the engine that judges: neither waits for the other. */
const api = {
  /** The work of a job, its times drawn towards what was timed on all of them. */
  workPlan(job: Job, shelf: Shelf, timed: readonly Job[]): SaidPlan<WorkPlan> {
    const times = learntTimes(timed, (each) => {
      try {
        return fitSteps(each, shelf);
      } catch {
        // A job that names a part that is gone has no plan; what was timed on it is left out.
        return [];
      }
    });
    return sayPlan(workPlan(job, shelf, times), job, shelf);
  },
  /** The shopping list of some jobs; one that names a part that is gone is left out by name. */
  shopping(jobs: readonly Job[], shelf: Shelf) {
    const leftOut: string[] = [];
    const lines = shoppingList(jobs, shelf, (job) => {
      try {
        return pickLines(job, shelf);
      } catch {
        leftOut.push(job.title);
        return [];
      }
    });
    return { lines, leftOut };
  },
  findPins,
  wholeLedger,
  checkSheet,
};
export type FittingWorker = typeof api;
expose(api);
