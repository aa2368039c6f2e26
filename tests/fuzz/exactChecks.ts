import type { PlainCheck } from '../../core/evidence/exactPlan.ts';
import { bestTest } from '../../core/evidence/nextTest.ts';

/** What is chosen first of some ways with their weights: the place of a check, or null where none tells any apart. */
export type Chooser = (weights: readonly number[], checks: readonly PlainCheck[]) => number | null;

/** The app's chooser of tests for many ways: most told per minute. */
export const greedy: Chooser = (weights, checks) => {
  const possible = weights.map((weight, is) => ({ is, weight, follows: String(is) }));
  const tests = checks.map((check, at) => ({
    at,
    minutes: check.minutes,
    shows: (is: number) => new Map([[check.shows[is] ?? '', 1]]),
  }));
  return bestTest(tests, possible, 1e-9)?.test.at ?? null;
};

/** Weighted minutes until a chooser has told apart all that checks can. */
export function minutesBy(
  choose: Chooser,
  weights: readonly number[],
  checks: readonly PlainCheck[],
): number {
  const at = choose(weights, checks);
  const check = at === null ? undefined : checks[at];
  if (!check) return 0;
  const parts = new Map<string, number[]>();
  weights.forEach((_, way) => {
    const label = check.shows[way] ?? '';
    parts.set(label, [...(parts.get(label) ?? []), way]);
  });
  if (parts.size < 2) return 0;
  const here = check.minutes * weights.reduce((sum, each) => sum + each, 0);
  return [...parts.values()].reduce((sum, ways) => {
    const left = checks.map(({ minutes, shows }) => ({
      minutes,
      shows: ways.map((way) => shows[way] ?? ''),
    }));
    const weighed = ways.map((way) => weights[way] ?? 0);
    return sum + minutesBy(choose, weighed, left);
  }, here);
}

/** The fewest weighted minutes of any plan, by trying every check first, and every check after each: no memory, no bounds. */
export function fewestMinutes(weights: readonly number[], checks: readonly PlainCheck[]): number {
  let best = Number.POSITIVE_INFINITY;
  for (let first = 0; first < checks.length; first += 1) {
    const check = checks[first];
    if (!check || new Set(check.shows).size < 2) continue;
    const parts = new Map<string, number[]>();
    for (const way of weights.keys()) {
      const label = check.shows[way] ?? '';
      parts.set(label, [...(parts.get(label) ?? []), way]);
    }
    let minutes = check.minutes * weights.reduce((sum, each) => sum + each, 0);
    for (const ways of parts.values()) {
      const left = checks.map(({ minutes: each, shows }) => ({
        minutes: each,
        shows: ways.map((way) => shows[way] ?? ''),
      }));
      minutes += fewestMinutes(
        ways.map((way) => weights[way] ?? 0),
        left,
      );
    }
    best = Math.min(best, minutes);
  }
  return Number.isFinite(best) ? best : 0;
}
