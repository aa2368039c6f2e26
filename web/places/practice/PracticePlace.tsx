import { useLiveQuery } from 'dexie-react-hooks';
import { useParams } from 'react-router';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { DRILL_KINDS } from '../../../core/practice/drill.ts';
import { db } from '../../store/db.ts';
import { keptValues } from '../../store/kept.ts';
import { readShelf } from '../../store/stock.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { Drill } from './Drill.tsx';
import { PracticeHome } from './PracticeHome.tsx';
import { Round } from './Round.tsx';

/** Fault finding and four drills, on the demo's vehicles and one's own. */
export function Component() {
  const { kind } = useParams();
  const loaded = useLiveQuery(async (): Promise<{ jobs: Job[]; shelf: Shelf } | Error> => {
    try {
      const [rows, shelf] = await Promise.all([db.jobs.toArray(), readShelf(), keptValues.loaded()]);
      return { jobs: rows.filter((row) => row.deleted === 0).map(({ job }) => job), shelf };
    } catch (error) {
      return error as Error;
    }
  });
  if (!loaded) return null;
  if (loaded instanceof Error) return <StorageTrouble error={loaded} />;
  const drill = DRILL_KINDS.find((each) => each === kind);
  if (drill) return <Drill key={drill} kind={drill} {...loaded} />;
  if (kind === 'round') return <Round {...loaded} />;
  return <PracticeHome {...loaded} />;
}
