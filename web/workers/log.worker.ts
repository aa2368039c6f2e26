import './writesAsHere.ts';
import { expose } from 'comlink';
import { type WatcherGroup, watcherGroups } from '../../core/log/watchers.ts';
import { db } from '../store/db.ts';
import { readShelf } from '../store/stock.ts';

/** What goes over all jobs and solves their circuits: off the main thread. */
const api = {
  async watchers(by: 'model' | 'watcher'): Promise<WatcherGroup[]> {
    const rows = await db.jobs.where('deleted').equals(0).toArray();
    return watcherGroups(
      rows.map(({ job }) => job),
      await readShelf(db),
      by,
    );
  },
};
export type LogWorker = typeof api;
expose(api);
