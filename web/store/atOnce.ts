import Dexie, { type EntityTable } from 'dexie';
import type { KeptRow, NoteRow } from './tableRows.ts';

/**
 * What is on the disk before a tap is answered: notes of acts, and what is kept beside the jobs. It is a database of its
 * own because a browser lets one transaction at a time write into one, and a page that goes takes along all that wait:
 * nothing long is ever written here, so nothing waits.
 */
export class AtOnceDatabase extends Dexie {
  notes!: EntityTable<NoteRow, 'seq'>;
  kept!: EntityTable<KeptRow, 'key'>;

  constructor(name: string) {
    super(name);
    this.version(1).stores({ notes: '++seq, &id', kept: 'key' });
  }

  /**
   * Puts a row in, in a transaction of its own that is on its way before this returns: it asks nothing back, so that it is
   * kept even where this thread is busy, or killed, right after.
   *
   * @throws Error of the store, where it would not take it
   */
  putAtOnce(table: 'notes' | 'kept', row: object): Promise<void> {
    // Not open yet: nothing was drawn that could be tapped, or nearly.
    if (!this.isOpen())
      return this.table(table)
        .put(row)
        .then(() => {});
    return new Promise((resolve, reject) => {
      const writing = this.backendDB().transaction(table, 'readwrite', { durability: 'relaxed' });
      writing.objectStore(table).put(row);
      writing.oncomplete = () => resolve();
      writing.onabort = () => reject(writing.error ?? new Error('The store did not take it.'));
      writing.commit();
    });
  }
}
