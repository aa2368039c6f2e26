import { type LogLine, logLines } from '../log/lines.ts';
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

/** Every part a job has in its vehicle by the log, with its warranty counted from the day the first of them was fitted. */
export function warrantiesOf(job: Job, shelf: Shelf): Warranty[] {
  const parts = new Map(shelf.map((part) => [part.id, part]));
  const inside = new Map<string, LogLine[]>();
  for (const line of logLines([job], shelf))
    if (line.state === 'in') inside.set(line.partId, [...(inside.get(line.partId) ?? []), line]);
  return [...inside].flatMap(([partId, lines]) => {
    const part = parts.get(partId);
    if (!part) return [];
    const fitted = lines.flatMap(({ fittedAt }) => fittedAt ?? []).toSorted();
    const ends = lines.flatMap(({ warrantyUntil }) => warrantyUntil ?? []).toSorted();
    return [
      {
        partId,
        code: part.code,
        name: part.name,
        pieces: lines.reduce((sum, { pieces }) => sum + pieces, 0),
        fittedAt: fitted[0] ?? null,
        months: part.warrantyMonths ?? null,
        until: ends[0] ?? null,
        voidBy: part.warrantyVoid || null,
      },
    ];
  });
}
