import type { LimitCheck } from './requirements/limit.ts';

/** The requirements that are a limit. */
export type LimitRequirement = Exclude<LimitCheck['kind'], 'fuse-heating' | 'fuse-lit'> | 'fuse';

/** How near to its limit the nearest of some checks is, 1 where it has reached it; broken ones a million more: units of the limit. */
export function heaviest(limits: readonly LimitCheck[]): number {
  return Math.max(...limits.map((limit) => (limit.ok ? 0 : 1e6) + limit.value / limit.limit));
}

/** The limits that are broken. */
export function broken(limits: readonly LimitCheck[]): LimitCheck[] {
  return limits.filter(({ ok }) => !ok);
}

/** The requirement a limit belongs to. */
export function requirementOf({ kind }: LimitCheck): LimitRequirement {
  return kind === 'fuse-heating' || kind === 'fuse-lit' ? 'fuse' : kind;
}
