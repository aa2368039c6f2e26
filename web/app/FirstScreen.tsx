import { useLiveQuery } from 'dexie-react-hooks';
import { Navigate } from 'react-router';
import { db } from '../store/db.ts';
import { StorageTrouble } from '../ui/StorageTrouble.tsx';

/** Opens the job worked on last; at the very first start, the demo's open job. */
export function FirstScreen() {
  const start = useLiveQuery(async () => {
    try {
      const last = await db.settings.get('last-job');
      const row = last ? await db.jobs.get(last.value) : undefined;
      return { to: row && row.deleted === 0 ? `/jobs/${row.id}` : '/jobs' };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  if (!start) return null;
  if (start.trouble) return <StorageTrouble error={start.trouble} />;
  return <Navigate to={start.to} replace />;
}
