import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { heldOf } from './jobPieces.ts';
import { orderLine, type PickLine, shelfLine } from './pickLine.ts';
import { pickLines } from './picklist.ts';

/** One thing to buy for all open jobs together. */
export interface ShoppingLine extends PickLine {
  /** jobs that want it, with how many each */
  jobs: readonly { id: string; title: string; pieces: number }[];
}

/**
 * What all open jobs together still need, less what lies on the shelf: pieces of one part are added up before they become
 * packs, so that two jobs share one. What a job has fitted it needs no more.
 *
 * @param jobs the open ones
 * @param shelf with the pieces that lie there, put aside or not
 * @param linesOf the pick list of a job; of one that can no longer be planned none
 */
export function shoppingList(
  jobs: readonly Job[],
  shelf: Shelf,
  linesOf: (job: Job) => readonly PickLine[] = (job) => pickLines(job, shelf),
): ShoppingLine[] {
  const found = new Map<string, { line: PickLine; jobs: ShoppingLine['jobs'][number][] }>();
  for (const job of jobs) {
    const held = heldOf(job);
    for (const line of linesOf(job)) {
      const fitted = line.partId ? (held.get(line.partId)?.fitted ?? 0) : 0;
      const pieces = Math.max(0, line.quantity - fitted);
      if (pieces === 0) continue;
      // What has no record is one thing where it is called the same.
      const key = line.partId ?? `order ${line.what}`;
      const entry = found.get(key) ?? { line, jobs: [] };
      found.set(key, { ...entry, jobs: [...entry.jobs, { id: job.id, title: job.title, pieces }] });
    }
  }
  return [...found].flatMap(([key, { line, jobs: wanting }]): ShoppingLine[] => {
    const part = shelf.find(({ id }) => id === line.partId);
    // A tube of grease is not used up by one job.
    const quantity = line.shared
      ? Math.max(...wanting.map(({ pieces }) => pieces))
      : wanting.reduce((sum, { pieces }) => sum + pieces, 0);
    const why = wanting.map(({ title, pieces }) => `${title} ${pieces}`).join(', ');
    const together = part
      ? shelfLine(part, quantity, why)
      : {
          ...orderLine(key, line.code, line.what, quantity, why),
          unitPrice: line.unitPrice,
          total: line.unitPrice === null ? null : line.unitPrice * quantity,
        };
    if (together.toBuy === 0) return [];
    return [{ ...together, ...(line.shared ? { shared: true as const } : {}), jobs: wanting }];
  });
}
