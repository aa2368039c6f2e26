import { z } from 'zod';
import { Id, Line, Moment } from '../model/fields.ts';

/** One state of a document that left its device, or was made of two: what came before it stands in its parents. */
export const Revision = z.strictObject({
  /** unique across devices */
  id: Id,
  /** where it was sealed; null where two were laid together without a question, which any device does alike */
  device: Id.nullable(),
  /** one more than any revision it knew of: clocks are set, a counter is not */
  count: z.int().min(1),
  parents: z.array(Id).max(2),
  at: Moment,
  /** who worked there */
  by: Line.optional(),
});
export type Revision = z.infer<typeof Revision>;

/** A field as it was at the head, or that it was deleted, and the revision that wrote it. */
export const Written = z.strictObject({
  /** its place in the list of revisions */
  rev: z.int().min(0),
  /** left out: the field is gone */
  value: z.json().optional(),
});
export type Written = z.infer<typeof Written>;

/** What a copy of a document knows of how it came about. */
export const History = z.strictObject({
  /** the revision this copy was at last */
  head: Id,
  revisions: z.array(Revision).min(1).max(20_000),
  /** by the path of the field, as `leaves.ts` writes it */
  fields: z.record(z.string().max(600), Written),
  /** records that were on its log at the head; 0 of a document that has none */
  told: z.int().min(0),
});
export type History = z.infer<typeof History>;

/** Who seals a revision. */
export interface Signer {
  /** an id nobody else gives */
  id: string;
  device: string;
  at: string;
  by?: string | undefined;
}

/**
 * What each revision knows: itself and all that came before it.
 *
 * @returns the ids known to a revision; nothing of one that is not among them
 */
export function ancestry(revisions: readonly Revision[]): (id: string) => ReadonlySet<string> {
  const byId = new Map(revisions.map((each) => [each.id, each]));
  const known = new Map<string, ReadonlySet<string>>();
  return (id) => {
    let set = known.get(id);
    if (!set) {
      const all = new Set<string>();
      const open = [id];
      for (let next = open.pop(); next !== undefined; next = open.pop()) {
        const revision = byId.get(next);
        if (!revision || all.has(next)) continue;
        all.add(next);
        open.push(...revision.parents);
      }
      set = all;
      known.set(id, set);
    }
    return set;
  };
}
