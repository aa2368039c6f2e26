import type { Finding, LimitCheck } from './requirements/finding.ts';

/** How near to its limit the nearest of some checks is, 1 where it has reached it; broken ones a million more: units of the limit. */
export function heaviest(limits: readonly LimitCheck[]): number {
  return Math.max(...limits.map((limit) => (limit.ok ? 0 : 1e6) + limit.value / limit.limit));
}

/** The limits that are broken, as findings. */
export function broken(limits: readonly LimitCheck[]): Finding[] {
  return limits.flatMap((limit): Finding[] =>
    limit.ok ? [] : [{ requirement: requirementOf(limit), state: 'too-much', text: limit.reason }],
  );
}

/** The requirement a limit belongs to. */
export function requirementOf({ kind }: LimitCheck): Finding['requirement'] {
  return kind === 'fuse-heating' || kind === 'fuse-lit' ? 'fuse' : kind;
}
