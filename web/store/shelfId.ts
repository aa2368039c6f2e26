import { keptValues } from './kept.ts';

const OWN = 'shelf-id';
const JOINED = 'shelves-joined';

/** What this browser's shelf is called where its pieces are told of, the same for as long as it keeps its records. */
export function shelfId(): string {
  const kept = keptValues.text(OWN);
  if (kept) return JSON.parse(kept) as string;
  const id = `shelf-${crypto.randomUUID()}`;
  keptValues.put(OWN, id);
  return id;
}

/** Shelves that are this one: its own, and those whose movements were joined to it. */
export function knownShelves(): ReadonlySet<string> {
  return new Set([shelfId(), ...joined()]);
}

/** Takes other devices' names of this shelf, and gives what takes that back. */
export function joinShelves(ids: readonly string[]): () => void {
  const before = joined();
  keptValues.put(JOINED, [...new Set([...before, ...ids])].slice(0, 200));
  return () => keptValues.put(JOINED, before);
}

function joined(): string[] {
  const read: unknown = JSON.parse(keptValues.text(JOINED) ?? '[]');
  return Array.isArray(read) ? read.filter((each) => typeof each === 'string') : [];
}
