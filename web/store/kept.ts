import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { db, type VumbleDatabase } from './db.ts';

/**
 * What this browser keeps beside its jobs: a question under way, who works here, what matters to them. Read once, then at
 * hand at once; written before the tap is answered, and told to the other tabs.
 */
export class KeptValues {
  private readonly texts = new Map<string, string>();
  private readonly listeners = new Set<() => void>();
  private reading: Promise<void> | null = null;
  /** told what was not stored; whoever has a screen says it there */
  trouble: (error: Error) => void = () => {};

  constructor(
    private readonly database: VumbleDatabase,
    private readonly tabs: Pick<BroadcastChannel, 'postMessage' | 'addEventListener'> | null,
  ) {
    tabs?.addEventListener('message', ({ data }) => this.heard(data));
  }

  /** Waits until everything kept is at hand. */
  loaded(): Promise<void> {
    this.reading ??= this.read();
    return this.reading;
  }

  text(key: string): string | undefined {
    return this.texts.get(key);
  }

  /** Everything kept, by key. */
  all(): [string, string][] {
    return [...this.texts];
  }

  put(key: string, value: unknown): void {
    this.putText(key, JSON.stringify(value));
  }

  /** Puts what another browser kept, as it was written there. */
  putText(key: string, text: string): void {
    this.texts.set(key, text);
    // Where there is no room it stays as it was set until this tab is closed, and is told.
    this.database.atOnce.putAtOnce('kept', { key, value: text }).catch((error: Error) => this.trouble(error));
    this.tabs?.postMessage({ key, text });
    this.tell();
  }

  /** Keeps something no longer. */
  forget(key: string): void {
    this.texts.delete(key);
    this.database.atOnce.dropAtOnce(key).catch(() => {});
    this.tabs?.postMessage({ key, text: null });
    this.tell();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private async read(): Promise<void> {
    await this.database.open();
    // What was set since is newer.
    for (const { key, value } of await this.database.atOnce.kept.toArray())
      if (!this.texts.has(key) && typeof value === 'string') this.texts.set(key, value);
    this.tell();
  }

  private heard(data: unknown): void {
    const { key, text } = (data ?? {}) as { key?: unknown; text?: unknown };
    if (typeof key !== 'string') return;
    if (typeof text === 'string') this.texts.set(key, text);
    else if (text === null) this.texts.delete(key);
    else return;
    this.tell();
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

export const keptValues = new KeptValues(
  db,
  typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('vumble-kept'),
);

/**
 * A value this browser keeps, and how to set it.
 *
 * @param read takes what was kept for what it is, or gives undefined: it may be of another build, or a stranger's
 */
export function useKept<T>(
  key: string,
  fallback: T,
  read: (raw: unknown) => T | undefined,
): [T, (next: T | ((now: T) => T)) => void] {
  const text = useSyncExternalStore(keptValues.subscribe, () => keptValues.text(key));
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is read hangs on the text alone
  const value = useMemo(() => parsed(text, read) ?? fallback, [text]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same for as long as the key is
  const set = useCallback(
    (next: T | ((now: T) => T)) => {
      const now = parsed(keptValues.text(key), read) ?? fallback;
      keptValues.put(key, typeof next === 'function' ? (next as (now: T) => T)(now) : next);
    },
    [key],
  );
  return [value, set];
}

function parsed<T>(text: string | undefined, read: (raw: unknown) => T | undefined): T | undefined {
  if (text === undefined) return undefined;
  try {
    return read(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/** Reads weights: the numbers from 0 to 10 among what was kept. */
export function readWeights<W extends object>(raw: unknown): Partial<W> | undefined {
  if (typeof raw !== 'object' || raw === null) return undefined;
  const numbers = Object.entries(raw).filter(
    ([, each]) => typeof each === 'number' && each >= 0 && each <= 10,
  );
  return Object.fromEntries(numbers) as Partial<W>;
}

/** Reads a line of text. */
export function readLine(raw: unknown): string | undefined {
  return typeof raw === 'string' ? raw.slice(0, 160) : undefined;
}
