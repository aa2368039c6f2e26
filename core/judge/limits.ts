import type { LimitCheck } from './requirements/limit.ts';
import type { VerdictState } from './states.ts';

/** The requirements that are a limit. */
export type LimitRequirement = Exclude<LimitCheck['kind'], 'fuse-heating' | 'fuse-lit'> | 'fuse';

/** How near to its limit the nearest of some checks is, 1 where it has reached it; broken ones a million more: units of the limit. */
export function heaviest(limits: readonly LimitCheck[]): number {
  return Math.max(
    ...limits.map((limit) => (limit.open ? 1e3 : limit.ok ? 0 : 1e6) + limit.value / limit.limit),
  );
}

/** The limits that are broken. */
export function broken(limits: readonly LimitCheck[]): LimitCheck[] {
  return limits.filter(({ ok }) => !ok);
}

/** What each limit says: kept, broken, or open where it hangs on a fuse nobody has read. */
export function limitStates(limits: readonly LimitCheck[]): VerdictState[] {
  return limits.map(({ ok, open }) => (open ? 'either-way' : ok ? 'holds' : 'too-much'));
}

/** The requirement a limit belongs to. */
export function requirementOf({ kind }: LimitCheck): LimitRequirement {
  return kind === 'fuse-heating' || kind === 'fuse-lit' ? 'fuse' : kind;
}
