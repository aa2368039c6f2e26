/**
 * A map laid over another: what it holds itself comes first, the rest is that of the one beneath, which is not copied. A
 * fault touches a few lamps of a vehicle of three hundred, and thousands of faults are played.
 */
export class Layered<V> implements ReadonlyMap<string, V> {
  /** what is laid over */
  readonly own = new Map<string, V>();
  private readonly gone = new Set<string>();

  constructor(readonly beneath: ReadonlyMap<string, V>) {}

  set(key: string, value: V): void {
    this.gone.delete(key);
    this.own.set(key, value);
  }

  /** Takes a key out, the one beneath notwithstanding. */
  delete(key: string): void {
    this.own.delete(key);
    this.gone.add(key);
  }

  get(key: string): V | undefined {
    if (this.own.has(key)) return this.own.get(key);
    return this.gone.has(key) ? undefined : this.beneath.get(key);
  }

  has(key: string): boolean {
    return this.own.has(key) || (!this.gone.has(key) && this.beneath.has(key));
  }

  get size(): number {
    return [...this.keys()].length;
  }

  *entries(): MapIterator<[string, V]> {
    for (const entry of this.beneath) if (!this.own.has(entry[0]) && !this.gone.has(entry[0])) yield entry;
    yield* this.own;
  }

  *keys(): MapIterator<string> {
    for (const [key] of this.entries()) yield key;
  }

  *values(): MapIterator<V> {
    for (const [, value] of this.entries()) yield value;
  }

  [Symbol.iterator](): MapIterator<[string, V]> {
    return this.entries();
  }

  forEach(act: (value: V, key: string, map: ReadonlyMap<string, V>) => void): void {
    for (const [key, value] of this.entries()) act(value, key, this);
  }

  /** Keys of which this may say something else than another map: all of them, unless it is laid over that one. */
  maybeUnlike(other: ReadonlyMap<string, V>): Iterable<string> {
    return this.beneath === other ? [...this.own.keys(), ...this.gone] : this.keys();
  }
}

/** A map that is being written, laid over another or not. */
export type Writable<V> = Pick<Layered<V>, 'set' | 'delete'>;

/** What of a map may not be as in another, by key; a key that is gone has no value. */
export function unlike<V>(map: ReadonlyMap<string, V>, other: ReadonlyMap<string, V>): Iterable<string> {
  return map instanceof Layered ? map.maybeUnlike(other) : map.keys();
}
