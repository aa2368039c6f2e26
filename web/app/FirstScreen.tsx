import { useLiveQuery } from 'dexie-react-hooks';
import { Navigate, useNavigation } from 'react-router';
import { db } from '../store/db.ts';
import { StorageTrouble } from '../ui/StorageTrouble.tsx';

/** Opens the job worked on last, at the stage it was left at; at the very first start, the demo's open job. */
export function FirstScreen() {
  const { state } = useNavigation();
  const start = useLiveQuery(async () => {
    try {
      const [last, stage] = await db.settings.bulkGet(['last-job', 'last-stage']);
      const row = last ? await db.jobs.get(last.value) : undefined;
      if (row?.deleted !== 0) return { to: '/jobs' };
      // Where it was left, the job screen need not first find out what is open.
      return { to: stage ? `/jobs/${row.id}/${stage.value}` : `/jobs/${row.id}` };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  if (!start) return null;
  if (start.trouble) return <StorageTrouble error={start.trouble} />;
  // Whoever has tapped elsewhere meanwhile goes there.
  return state === 'idle' ? <Navigate to={start.to} replace /> : null;
}
