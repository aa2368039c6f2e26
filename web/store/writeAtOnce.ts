import type { VumbleDatabase } from './db.ts';

/**
 * Puts a row into the store in a transaction of its own that is on its way before this returns: it asks nothing back, so
 * that it is kept even where this thread is busy, or killed, right after.
 *
 * @throws Error of the store, where it would not take it
 */
export function writeAtOnce(db: VumbleDatabase, table: 'journal' | 'settings', row: object): Promise<void> {
  const store = db.isOpen() ? db.backendDB() : null;
  // Not open yet: nothing was drawn that could be tapped, or nearly.
  if (!store)
    return db
      .table(table)
      .put(row)
      .then(() => {});
  return new Promise((resolve, reject) => {
    const writing = store.transaction(table, 'readwrite', { durability: 'relaxed' });
    writing.objectStore(table).put(row);
    writing.oncomplete = () => resolve();
    writing.onabort = () => reject(writing.error ?? new Error('The store did not take it.'));
    writing.commit();
  });
}
