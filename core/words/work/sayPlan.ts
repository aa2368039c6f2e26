import type { Job } from '../../model/job.ts';
import type { Shelf } from '../../model/part.ts';
import type { Route } from '../../work/order/route.ts';
import type { FitStep } from '../../work/steps/fitStep.ts';
import { routeReasons } from './route.ts';
import { type SaidStep, saySteps } from './sayStep.ts';

/** The work of a job with what every step says, and why in that order. */
export type SaidPlan<P> = Omit<P, 'steps'> & {
  steps: readonly SaidStep[];
  reasons: readonly string[];
};

/** The work of a job in words. */
export function sayPlan<P extends { steps: readonly FitStep[]; route: Route }>(
  plan: P,
  job: Pick<Job, 'vehicle'>,
  shelf: Shelf,
): SaidPlan<P> {
  return { ...plan, steps: saySteps(plan.steps, job, shelf), reasons: routeReasons(plan.route.grounds) };
}
