import type Dexie from 'dexie';
import type { EntityTable } from 'dexie';
import type { AtOnceDatabase } from './atOnce.ts';
import type { KeptRow, NoteRow, SettingRow } from './tableRows.ts';

const PREFIX = 'kept-';

/** The store of the jobs, as far as something was noted and kept there. */
interface Before extends Dexie {
  journal: EntityTable<NoteRow, 'seq'>;
  settings: EntityTable<SettingRow, 'key'>;
}

/** Takes over, once, what an earlier build noted and kept where it had to wait for the jobs. */
export async function moveOver(db: Before, atOnce: AtOnceDatabase): Promise<void> {
  if (!(await db.settings.get('at-once'))) return;
  const notes = await db.journal.toArray();
  const settings = (await db.settings.where('key').startsWith(PREFIX).toArray()) as KeptRow[];
  const kept = settings.map(({ key, value }) => ({ key: key.slice(PREFIX.length), value }));
  await atOnce.transaction('rw', atOnce.notes, atOnce.kept, async () => {
    // One that broke off in the middle, or another tab, may have been at it; what is there is newer.
    const noted = new Set((await atOnce.notes.toArray()).map(({ id }) => id));
    await atOnce.notes.bulkAdd(notes.filter(({ id }) => !noted.has(id)).map(({ seq: _, ...note }) => note));
    const here = new Set(await atOnce.kept.toCollection().primaryKeys());
    await atOnce.kept.bulkAdd(kept.filter(({ key }) => !here.has(key)));
  });
  await db.transaction('rw', db.journal, db.settings, async () => {
    await db.journal.bulkDelete(notes.map(({ seq }) => seq));
    await db.settings.bulkDelete([...settings.map(({ key }) => key), 'at-once'] as 'at-once'[]);
  });
}
