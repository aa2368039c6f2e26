import type { AsideRow, VumbleDatabase } from './db.ts';

/** Takes a row that cannot be used out of its table and keeps it as it was found. Returns whether it was there. */
export async function setAside(
  db: VumbleDatabase,
  table: AsideRow['table'],
  key: string | number,
  problem: string,
): Promise<boolean> {
  return db.transaction('rw', db.table(table), db.aside, async () => {
    const row: unknown = await db.table(table).get(key);
    if (row === undefined) return false;
    await db.aside.add({ at: new Date().toISOString(), table, key, row, problem } as AsideRow);
    await db.table(table).delete(key);
    return true;
  });
}
