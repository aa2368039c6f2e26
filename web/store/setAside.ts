import type { AsideRow, NoteRow, VumbleDatabase } from './db.ts';

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

/** The same for the note of an act, which counts as stored then. */
export async function setNoteAside(db: VumbleDatabase, note: NoteRow, problem: string): Promise<void> {
  const { seq: key, id = `note ${key}` } = note as Partial<NoteRow> & Pick<NoteRow, 'seq'>;
  await db.transaction('rw', db.storedActs, db.aside, async () => {
    if (await db.storedActs.get(id)) return;
    const at = new Date();
    await db.aside.add({ at: at.toISOString(), table: 'journal', key, row: note, problem } as AsideRow);
    await db.storedActs.put({ id, at: at.getTime() });
  });
  await db.atOnce.notes.delete(key);
}
