import { keptValues } from './kept.ts';

const KEY = 'device';

/** What this browser signs with, the same for as long as it keeps its records. */
export function deviceId(): string {
  const kept = keptValues.text(KEY);
  if (kept) return JSON.parse(kept) as string;
  const id = `device-${crypto.randomUUID()}`;
  keptValues.put(KEY, id);
  return id;
}
