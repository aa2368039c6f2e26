import { db as appDatabase, type VumbleDatabase } from './db.ts';

/** Reads a moment that was kept. */
export function readMoment(raw: unknown): string | null | undefined {
  return typeof raw === 'string' && !Number.isNaN(Date.parse(raw)) ? raw : undefined;
}

/** Reads a yes or no that was kept. */
export function readFlag(raw: unknown): boolean | undefined {
  return typeof raw === 'boolean' ? raw : undefined;
}

/** Without a backup for so long one is reminded of it, ms. */
const LONG_AGO = 14 * 24 * 3600_000;

/**
 * Whether a backup is due: something was done here, and for two weeks nobody saved it.
 *
 * @param savedAt when everything was last saved; null where never
 */
export async function backupDue(
  savedAt: string | null,
  nowMs: number,
  db: VumbleDatabase = appDatabase,
): Promise<boolean> {
  const [first, last] = await Promise.all([db.edits.toCollection().first(), db.edits.toCollection().last()]);
  if (!first || !last) return false;
  if (savedAt === null) return nowMs - first.at > LONG_AGO;
  const saved = Date.parse(savedAt);
  return last.at > saved && nowMs - saved > LONG_AGO;
}
