import { useLiveQuery } from 'dexie-react-hooks';
import { ownWatcherSeen } from '../../core/judge/watcherSeen.ts';
import type { Job } from '../../core/model/job.ts';
import { db } from '../store/db.ts';

/** Jobs on other vehicles of a job's model on which something was seen of the watcher; undefined until they are read. */
export function useAlike({ id, vehicle }: Pick<Job, 'id' | 'vehicle'>): readonly Job[] | undefined {
  return useLiveQuery(async () => {
    const rows = await db.jobs.where('deleted').equals(0).toArray();
    return rows
      .map((row) => row.job)
      .filter(
        (other) =>
          other.id !== id && other.vehicle.model === vehicle.model && ownWatcherSeen(other).length > 0,
      );
  }, [id, vehicle.model]);
}
