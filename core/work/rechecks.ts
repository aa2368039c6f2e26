import type { Job } from '../model/job.ts';
import type { Recheck, RecheckKind } from '../model/recheck.ts';

/** What of each kind is looked at, and after how many days (common practice). */
const USUAL: Record<Exclude<RecheckKind, 'own'>, { days: number; what: string }> = {
  dark: { days: 1, what: 'After dark: brightness beside the old lamps, glow with everything off, beam' },
  'two-weeks': { days: 14, what: 'After two weeks of driving: messages, flash rate, LEDs gone dark' },
  'six-months': {
    days: 182,
    what: 'After six months: water in lamps, joints, resistors still tight, dead chips',
  },
};

/** A day in so many days, as a date. */
export function dayAfter(from: string, days: number): string {
  const day = new Date(`${from.slice(0, 10)}T12:00:00.000Z`);
  day.setUTCDate(day.getUTCDate() + days);
  return day.toISOString().slice(0, 10);
}

/** The rechecks that are customary, due from a day on, without those a job has already. */
export function usualRechecks(job: Job, from: string, newId: () => string): Recheck[] {
  const has = new Set((job.rechecks ?? []).map(({ kind }) => kind));
  return (Object.keys(USUAL) as (keyof typeof USUAL)[])
    .filter((kind) => !has.has(kind))
    .map((kind) => ({ id: newId(), kind, what: USUAL[kind].what, due: dayAfter(from, USUAL[kind].days) }));
}

/** A recheck of some job that is still to come or overdue. */
export interface DueRecheck<J> {
  job: J;
  recheck: Recheck;
  /** days until it is due; negative once it is overdue */
  inDays: number;
}

/** Every recheck that is not done, the most overdue first. */
export function openRechecks<J extends { rechecks?: readonly Recheck[] | undefined }>(
  jobs: readonly J[],
  today: string,
): DueRecheck<J>[] {
  const day = (date: string) => Date.parse(`${date.slice(0, 10)}T00:00:00Z`) / 86_400_000;
  return jobs
    .flatMap((job) =>
      (job.rechecks ?? [])
        .filter(({ done }) => !done)
        .map((recheck) => ({ job, recheck, inDays: Math.round(day(recheck.due) - day(today)) })),
    )
    .toSorted((a, b) => a.inDays - b.inDays);
}

/**
 * When a part went in, by the pieces that were fitted of it; where nobody counted pieces, when the last step of the work was
 * done.
 *
 * @returns null where nothing says it
 */
export function partFittedAt(
  { pieces = [], fit }: Pick<Job, 'pieces' | 'fit'>,
  partId: string | null,
): string | null {
  const counted = pieces.findLast((each) => each.kind === 'fitted' && each.partId === partId);
  if (counted) return counted.at;
  const done = Object.values(fit).flatMap((step) => (step.doneAt ? [step.doneAt] : []));
  return done.toSorted().at(-1) ?? null;
}
