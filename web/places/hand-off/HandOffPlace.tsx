import { useLiveQuery } from 'dexie-react-hooks';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { db } from '../../store/db.ts';
import { keptValues } from '../../store/kept.ts';
import { readShelf } from '../../store/stock.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { ViewTabs } from '../../ui/ViewTabs.tsx';
import { Backup } from './Backup.tsx';
import classes from './HandOff.module.css';
import { Send } from './Send.tsx';
import { TakeOver } from './TakeOver.tsx';

const VIEWS = { send: 'Hand on', take: 'Take over', backup: 'Backup' } as const;

/** Between desk and phone, and between people: jobs go out as a file and come back, laid together with what was done here. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<{ jobs: Job[]; shelf: Shelf } | Error> => {
    try {
      const [rows, shelf] = await Promise.all([db.jobs.toArray(), readShelf(), keptValues.loaded()]);
      const here = rows
        .filter((row) => row.deleted === 0)
        .toSorted((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1));
      return { jobs: here.map(({ job }) => job), shelf };
    } catch (error) {
      return error as Error;
    }
  });
  if (!loaded) return null;
  if (loaded instanceof Error) return <StorageTrouble error={loaded} />;
  return (
    <div className={classes.place}>
      <h1>Hand off</h1>
      <ViewTabs views={VIEWS} first="send">
        {(view) => {
          if (view === 'send') return <Send jobs={loaded.jobs} />;
          return view === 'take' ? <TakeOver shelf={loaded.shelf} /> : <Backup />;
        }}
      </ViewTabs>
    </div>
  );
}
