import { EXACT_WAYS, exactPlan } from '../evidence/exactPlan.ts';
import type { Choice, NextCheck } from './checks.ts';

/** Ways that make up so much of what is possible are all that a plan is made for. */
const NEARLY_ALL = 0.98;

/**
 * The first check of the shortest plan where hardly more than a few ways are left; null where there are more, or only one.
 */
export function plannedCheck(
  choices: readonly Choice[],
  ways: readonly { is: number; weight: number }[],
): NextCheck | null {
  const total = ways.reduce((sum, { weight }) => sum + weight, 0);
  const likely: number[] = [];
  let covered = 0;
  for (const { is, weight } of ways.toSorted((a, b) => b.weight - a.weight)) {
    if (covered >= NEARLY_ALL * total) break;
    covered += weight;
    likely.push(is);
  }
  if (likely.length < 2 || likely.length > EXACT_WAYS) return null;
  const checks = choices.map(({ minutes, shows }) => ({
    minutes,
    shows: likely.map((way) => likeliestOf(shows(way))),
  }));
  const { first } = exactPlan(
    likely.map((way) => ways[way]?.weight ?? 0),
    checks,
  );
  return first === null ? null : (choices[first]?.check ?? null);
}

function likeliestOf(outcomes: ReadonlyMap<string, number>): string {
  return [...outcomes].reduce((best, each) => (each[1] > best[1] ? each : best), ['', 0] as const)[0];
}
