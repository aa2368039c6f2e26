import { expose } from 'comlink';
import type { Job } from '../../core/model/job.ts';
import type { Shelf } from '../../core/model/part.ts';
import { findPins } from '../../core/wiring/pinFinder/findPins.ts';
import { type SaidPlan, sayPlan } from '../../core/words/work/sayPlan.ts';
import { fitSteps, type WorkPlan, workPlan } from '../../core/work/fitSteps.ts';
import { learntTimes } from '../../core/work/times.ts';

/** The order of work and the pin finder, beside the engine that judges: neither waits for the other. */
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
  findPins,
};
export type FittingWorker = typeof api;
expose(api);
