import type { Job } from '../../model/job.ts';
import { type FitStep, isBlocked } from './fitStep.ts';

/** Where a step stands. What waits for a part does not hold up the rest. */
export type StepState = 'done' | 'waiting' | 'blocked' | 'open';

/** Whether a step is done: ticked off, or one that an earlier plan did not have and whose next is done. */
export function stepDone(job: Pick<Job, 'fit'>, step: Pick<FitStep, 'id' | 'impliedBy'>): boolean {
  const done = (id: string) => Boolean(job.fit[id]?.doneAt);
  return done(step.id) || (step.impliedBy?.some(done) ?? false);
}

/** Where a step of a job stands. */
export function stepState(job: Pick<Job, 'fit'>, step: FitStep): StepState {
  if (stepDone(job, step)) return 'done';
  if (job.fit[step.id]?.waitingFor) return 'waiting';
  return isBlocked(step) ? 'blocked' : 'open';
}

/** What was ticked off under a plan that had other steps: it was done all the same. */
export function doneBefore(
  job: Pick<Job, 'fit'>,
  steps: readonly FitStep[],
): { id: string; doneAt: string }[] {
  const known = new Set(steps.map(({ id }) => id));
  return Object.entries(job.fit).flatMap(([id, { doneAt }]) =>
    doneAt && !known.has(id) ? [{ id, doneAt }] : [],
  );
}

/** The step to go on with: the index of the first that can be done. */
export function nextStep(job: Pick<Job, 'fit'>, steps: readonly FitStep[]): number {
  const open = steps.findIndex((step) => stepState(job, step) === 'open');
  if (open >= 0) return open;
  const left = steps.findIndex((step) => stepState(job, step) !== 'done');
  return left >= 0 ? left : Math.max(0, steps.length - 1);
}
