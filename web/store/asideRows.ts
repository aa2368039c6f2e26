import { problemOf } from './checkRows.ts';
import { type AsideRow, db as appDatabase, type VumbleDatabase } from './db.ts';

/** A row as text, to be read, mended and sent to whoever can help. */
export function asideText({ table, key, at, problem, row }: AsideRow): string {
  return `${JSON.stringify({ table, key, setAsideAt: at, problem, row }, null, 2)}\n`;
}

/** What was typed is no row that could be put back. Says what is wrong. */
export class NotMendedError extends Error {
  constructor(problem: string) {
    super(problem);
    this.name = 'NotMendedError';
  }
}

/**
 * Puts a row back where it was found, as it was mended.
 *
 * @param text the row as JSON
 * @throws NotMendedError while it is not what it should be, or another stands in its place
 */
export async function putBack(
  aside: AsideRow,
  text: string,
  db: VumbleDatabase = appDatabase,
): Promise<void> {
  let row: unknown;
  try {
    row = JSON.parse(text);
  } catch (error) {
    throw new NotMendedError(`This is not JSON: ${(error as Error).message}`);
  }
  const problem = problemOf(aside.table, row);
  if (problem) throw new NotMendedError(problem);
  await db.transaction('rw', db.table(aside.table), db.aside, async () => {
    if ((await db.table(aside.table).get(aside.key)) !== undefined)
      throw new NotMendedError(
        'Another has taken its place meanwhile. Export this one, and import it as a new one.',
      );
    await db.table(aside.table).put(row);
    await db.aside.delete(aside.seq);
  });
}

/** Takes a row that was set aside away for good; putting it back in `db.aside` takes that back. */
export async function removeAside(
  aside: AsideRow,
  db: VumbleDatabase = appDatabase,
): Promise<() => Promise<void>> {
  await db.aside.delete(aside.seq);
  return async () => void (await db.aside.put(aside));
}
