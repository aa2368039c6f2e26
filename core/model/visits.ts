import { whenSeen } from './whenSeen.ts';

/** What is seen so long after what was seen before it belongs to another visit: a fault may have come since, ms. */
export const ONE_VISIT = 24 * 3600_000;

/**
 * The visit of each thing on a record that says of none, by the pauses between them: `visit-1`, `visit-2`.
 */
export function visitsOf(record: readonly { at: string; from?: unknown }[]): string[] {
  const when = whenSeen(record);
  let visit = 1;
  return when.map(({ ms }, index) => {
    const before = when[index - 1];
    if (before && ms - before.ms >= ONE_VISIT) visit += 1;
    return `visit-${visit}`;
  });
}
