import type { Teller } from '../../core/record/tell.ts';
import { keptValues } from './kept.ts';

const KEY = 'device';

/** A signature of this browser, now. */
export function teller(): Teller {
  return { id: `seen-${crypto.randomUUID()}`, at: new Date().toISOString(), device: deviceId() };
}

/** What this browser signs with, the same for as long as it keeps its records. */
export function deviceId(): string {
  const kept = keptValues.text(KEY);
  if (kept) return JSON.parse(kept) as string;
  const id = `device-${crypto.randomUUID()}`;
  keptValues.put(KEY, id);
  return id;
}
