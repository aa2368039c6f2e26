import { expect } from 'vitest';
import type { VerdictState } from '../../core/judge/states.ts';

/** How many pairs of each kind were compared. */
export const counts = new Map<string, number>();
/** Counts one more pair. */
export const counted = (what: string) => counts.set(what, (counts.get(what) ?? 0) + 1);

/** Whether two speak of the same moment as one: surely yes against surely no is a contradiction, and so is being surer. */
export function together(kind: string, one: VerdictState, other: VerdictState, what: string): void {
  counted(kind);
  counted(`${kind}: ${one}`);
  expect(one, `${kind}, ${what}`).toBe(other);
}

/** Writes down how many pairs of each kind were compared. */
export function printed(): void {
  console.log(
    `compared:\n${[...counts]
      .toSorted(([a], [b]) => a.localeCompare(b))
      .map(([kind, count]) => `  ${kind.padEnd(44)} ${count}`)
      .join('\n')}`,
  );
}
