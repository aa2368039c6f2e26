import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';

/** The warranty of the pieces of one part on a vehicle. */
export interface Warranty {
  partId: string;
  code: string;
  name: string;
  /** pieces that are in, a count */
  pieces: number;
  /** the day the first went in, ISO 8601; null where nobody wrote it down */
  fittedAt: string | null;
  months: number | null;
  /** the last day it runs, `2028-11-30`; null where nobody knows */
  until: string | null;
  /** what ends it early */
  voidBy: string | null;
}

/** Every part a job has in its vehicle, with its warranty counted from the day it was fitted. */
export function warrantiesOf({ pieces = [], fit }: Pick<Job, 'pieces' | 'fit'>, shelf: Shelf): Warranty[] {
  const counts = new Map<string, { pieces: number; first: string | null }>();
  for (const { kind, partId, pieces: count, at } of pieces) {
    if (kind !== 'fitted' && kind !== 'returned' && kind !== 'scrapped') continue;
    const there = counts.get(partId) ?? { pieces: 0, first: null };
    const sum = there.pieces + (kind === 'fitted' ? count : -count);
    const first = kind === 'fitted' && (there.first === null || there.pieces <= 0) ? at : there.first;
    counts.set(partId, { pieces: sum, first });
  }
  const done = Object.values(fit).flatMap(({ doneAt }) => doneAt ?? []);
  const last = done.toSorted().at(-1) ?? null;
  return [...counts].flatMap(([partId, { pieces: count, first }]) => {
    const part = shelf.find(({ id }) => id === partId);
    if (!part || count <= 0 || part.kind === 'consumable') return [];
    const months = part.warrantyMonths ?? null;
    const fittedAt = first ?? last;
    return [
      {
        partId,
        code: part.code,
        name: part.name,
        pieces: count,
        fittedAt,
        months,
        until: months === null || fittedAt === null ? null : monthsAfter(fittedAt, months),
        voidBy: part.warrantyVoid || null,
      },
    ];
  });
}

/**
 * The day so many months after another; where that month is shorter its last day: 31 January and one month is 28 February.
 *
 * @param from a day or moment, ISO 8601
 * @returns a day, `2028-11-30`
 */
export function monthsAfter(from: string, months: number): string {
  const [year = 0, month = 1, day = 1] = from.slice(0, 10).split('-').map(Number);
  const index = year * 12 + month - 1 + months;
  const [y, m] = [Math.floor(index / 12), index % 12];
  const lastDay = new Date(Date.UTC(y, m + 1, 0)).getUTCDate();
  return new Date(Date.UTC(y, m, Math.min(day, lastDay))).toISOString().slice(0, 10);
}
