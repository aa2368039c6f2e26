import type { History, Revision, Signer, Written } from './history.ts';
import { fieldsOf, type Json, same } from './leaves.ts';

/**
 * The history of a document as it is now: what was changed since its last revision becomes one more, signed.
 *
 * @param history of the copy at hand; null where it never left its device
 * @param told how many records are on its log: more of them are a revision too
 * @returns the very same history where nothing was changed
 */
export function sealed(document: Json, history: History | null, signer: Signer, told = 0): History {
  const now = fieldsOf(document);
  const { id, device, at, by } = signer;
  const parents = history ? [history.head] : [];
  const revision: Revision = {
    id,
    device,
    count: countAfter(history?.revisions ?? []),
    parents,
    at,
    ...(by ? { by } : {}),
  };
  const rev = history?.revisions.length ?? 0;
  const fields: Record<string, Written> = {};
  let changed = history?.told !== told;
  for (const [path, value] of now) {
    const before = history?.fields[path];
    const stands = before !== undefined && before.value !== undefined && same(before.value as Json, value);
    if (!stands) changed = true;
    fields[path] = stands ? before : { rev, value: value as Written['value'] };
  }
  for (const [path, before] of Object.entries(history?.fields ?? {})) {
    if (now.has(path)) continue;
    if (before.value !== undefined) changed = true;
    fields[path] = before.value === undefined ? before : { rev };
  }
  if (history && !changed) return history;
  return { head: id, revisions: [...(history?.revisions ?? []), revision], fields, told };
}

/** A count no revision of these has reached. */
export function countAfter(revisions: readonly Revision[]): number {
  return revisions.reduce((most, { count }) => Math.max(most, count), 0) + 1;
}
