import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { db } from '../store/db.ts';
import { StorageTrouble } from '../ui/StorageTrouble.tsx';

/**
 * Opens the job worked on last, at the stage it was left at; at the very first start, the demo's open job. Whoever has
 * tapped elsewhere meanwhile goes there: the router is asked at the last moment, since a busy page hears of it late.
 *
 * @param underWay whether the router is on its way elsewhere now
 * @param broken where the last visit was when its tab broke; null where it ended as visits do
 */
export function FirstScreen({ underWay, broken }: { underWay(): boolean; broken: string | null }) {
  const navigate = useNavigate();
  const start = useLiveQuery(async () => {
    try {
      const [last, stage] = await db.settings.bulkGet(['last-job', 'last-stage']);
      const row = last ? await db.jobs.get(last.value) : undefined;
      if (row?.deleted !== 0) return { to: '/jobs' };
      // What broke the tab is not opened by itself again.
      if (broken?.startsWith(`/jobs/${row.id}`)) return { to: '/jobs' };
      // Where it was left, the job screen need not first find out what is open.
      return { to: stage ? `/jobs/${row.id}/${stage.value}` : `/jobs/${row.id}` };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  const to = start?.to;
  useEffect(() => {
    if (to !== undefined && !underWay()) navigate(to, { replace: true });
  }, [to, underWay, navigate]);
  return start?.trouble ? <StorageTrouble error={start.trouble} /> : null;
}
