import { pickLines } from '../inventory/picklist.ts';
import type { VerdictState } from '../judge/states.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { curedState } from '../possible/verdicts.ts';
import { fitSteps, minutesLeft } from '../work/fitSteps.ts';

/** A part one plan wants more or less of than the other. */
export interface PartDifference {
  code: string;
  what: string;
  here: number;
  there: number;
}

/** What a vehicle's plan is otherwise than that of the first. */
export interface FleetDifference {
  verdict: { here: VerdictState; there: VerdictState } | null;
  parts: readonly PartDifference[];
  /** least and most, minutes; null where they are the same */
  minutes: { here: readonly [number, number]; there: readonly [number, number] } | null;
}

/** The plan of a job as far as an equal's is held against it. */
export interface FleetPlan {
  verdict: VerdictState;
  parts: ReadonlyMap<string, { code: string; what: string; quantity: number }>;
  minutes: readonly [number, number];
}

/**
 * How a job stands and what it takes.
 *
 * @throws UnknownReferenceError when the job names a part that is not known
 */
export function fleetPlan(job: Job, shelf: Shelf): FleetPlan {
  const lines = pickLines(job, shelf);
  return {
    verdict: curedState(job, shelf),
    parts: new Map(lines.map(({ key, code, what, quantity }) => [key, { code, what, quantity }])),
    minutes: minutesLeft(fitSteps(job, shelf), () => false),
  };
}

/**
 * The plans of several jobs: those that are alike in all a plan hangs on, which of equal vehicles are nearly all, are worked out
 * once.
 *
 * @returns a plan of each, or why there is none
 */
export function fleetPlans(jobs: readonly Job[], shelf: Shelf): (FleetPlan | { problem: string })[] {
  const known = new Map<string, FleetPlan | { problem: string }>();
  return jobs.map((job) => {
    const key = planText(job);
    let plan = known.get(key);
    if (!plan) {
      try {
        plan = fleetPlan(job, shelf);
      } catch (error) {
        plan = { problem: (error as Error).message };
      }
      known.set(key, plan);
    }
    return plan;
  });
}

/** All of a job that its plan may hang on, as text: not what it is called, nor what was only done or written down. */
function planText({
  id: _,
  title: __,
  createdAt: ___,
  like: ____,
  fit,
  handOver: _____,
  vehicle,
  ...job
}: Job): string {
  const { id: ______, name: _______, fleetNumber: ________, ...rest } = vehicle;
  const begun = Object.values(fit).some(({ doneAt }) => doneAt !== null);
  return JSON.stringify([rest, job, begun ? fit : null]);
}

/** What one plan is otherwise than another: verdict, parts, minutes. Nothing where they are alike. */
export function planDifference(here: FleetPlan, there: FleetPlan): FleetDifference | null {
  const keys = [...new Set([...here.parts.keys(), ...there.parts.keys()])];
  const parts = keys.flatMap((key): PartDifference[] => {
    const [a, b] = [here.parts.get(key), there.parts.get(key)];
    const any = a ?? b;
    if (!any || a?.quantity === b?.quantity) return [];
    return [{ code: any.code, what: any.what, here: a?.quantity ?? 0, there: b?.quantity ?? 0 }];
  });
  const verdict = here.verdict === there.verdict ? null : { here: here.verdict, there: there.verdict };
  const same = here.minutes.every((each, index) => Math.abs(each - (there.minutes[index] ?? 0)) < 0.5);
  const minutes = same ? null : { here: here.minutes, there: there.minutes };
  return verdict || parts.length > 0 || minutes ? { verdict, parts, minutes } : null;
}
