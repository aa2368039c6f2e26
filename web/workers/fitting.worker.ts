import './writesAsHere.ts';
import { expose } from 'comlink';
import { fleetPlans, planDifference } from '../../core/fleet/differences.ts';
import { pickLines } from '../../core/inventory/picklist.ts';
import { shoppingList } from '../../core/inventory/shoppingList.ts';
import { checkSheet } from '../../core/kits/checkSheet.ts';
import { wholeLedger } from '../../core/ledger/wholeLedger.ts';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { findPins } from '../../core/wiring/pinFinder/findPins.ts';
import { type SaidPlan, sayPlan } from '../../core/words/work/sayPlan.ts';
import { fitSteps, type WorkPlan, workPlan } from '../../core/work/fitSteps.ts';
import { learntTimes, timed } from '../../core/work/times.ts';

/** The order of work, the pin finder, the ledger and the check of kit sheets, beside the engine that judges: neither waits for the other. */
const api = {
  /** The work of a job, its times drawn towards what was timed on all of them. */
  workPlan(job: Job, shelf: Shelf, clocked: readonly Job[]): SaidPlan<WorkPlan> {
    const times = learntTimes(clocked, (each) => {
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
  /** How each of some equal vehicles stands against the first; one that names a part that is gone says so. */
  fleet(jobs: readonly Job[], shelf: Shelf) {
    const [there, ...plans] = fleetPlans(jobs, shelf);
    return jobs.slice(1).map(({ id }, index) => {
      const plan = plans[index];
      if (!plan || !there) return { id, difference: null };
      if ('problem' in plan || 'problem' in there)
        return {
          id,
          difference: null,
          problem: 'problem' in plan ? plan.problem : 'The first cannot be planned any more.',
        };
      return { id, difference: planDifference(plan, there) };
    });
  },
  /** What is left of the work of each of some jobs, minutes, its times drawn towards what was clocked on all of them. */
  minutesLeft(jobs: readonly Job[], shelf: Shelf) {
    const stepsOf = (job: Job) => {
      try {
        return fitSteps(job, shelf);
      } catch {
        return [];
      }
    };
    const times = learntTimes(jobs, stepsOf);
    return jobs.map((job) => {
      const open = stepsOf(job).filter(({ id }) => !job.fit[id]?.doneAt);
      const ranges = open.map((step) => timed(step, times));
      const sum = (at: 0 | 1) => ranges.reduce((all, range) => all + range[at], 0);
      return { id: job.id, minutes: [sum(0), sum(1)] as const, steps: open.length };
    });
  },
  findPins,
  wholeLedger,
  checkSheet,
};
export type FittingWorker = typeof api;
expose(api);
