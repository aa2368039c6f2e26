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
   * Puts a row in.
   *
   * @throws Error of the store, where it would not take it
   */
  putAtOnce(table: 'notes' | 'kept', row: object): Promise<unknown> {
    // Not open yet: nothing was drawn that could be tapped, or nearly.
    return this.isOpen() ? this.write(table, (rows) => rows.put(row)) : this.table(table).put(row);
  }

  /** Takes a kept value out. */
  dropAtOnce(key: string): Promise<unknown> {
    return this.isOpen() ? this.write('kept', (rows) => rows.delete(key)) : this.kept.delete(key);
  }

  /**
   * Writes in a transaction of its own that is on its way before this returns: it asks nothing back, so that it is done even
   * where this thread is busy, or killed, right after. Nothing is awaited here: called amid another transaction, that would
   * have to wait for this one.
   */
  private write(table: string, change: (rows: IDBObjectStore) => unknown): Promise<void> {
    return new Promise((resolve, reject) => {
      const writing = this.backendDB().transaction(table, 'readwrite', { durability: 'relaxed' });
      change(writing.objectStore(table));
      writing.oncomplete = () => resolve();
      writing.onabort = () => reject(writing.error ?? new Error('The store did not take it.'));
      writing.commit();
    });
  }
}
