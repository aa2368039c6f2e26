import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, useMemo } from 'react';
import { sinceWhen } from '../../../core/log/answers.ts';
import { logLines } from '../../../core/log/lines.ts';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import { db } from '../../store/db.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { ViewTabs } from '../../ui/ViewTabs.tsx';
import classes from './Log.module.css';
import type { LogData } from './logData.ts';

const Fitted = lazy(() => import('./Fitted.tsx'));
const CameBack = lazy(() => import('./CameBack.tsx'));
const Warranties = lazy(() => import('./Warranties.tsx'));
const Lasting = lazy(() => import('./Lasting.tsx'));
const Found = lazy(() => import('./Found.tsx'));

const VIEWS = {
  fitted: 'Fitted',
  back: 'Came back',
  warranty: 'Under warranty',
  lasting: 'How long it lasts',
  found: 'Found by model',
} as const;

type Loaded = { jobs: Job[]; shelf: Shelf; state: string } | Error;

/** All that was ever fitted, how long it lasted, what came back. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      const [rows, shelf] = await Promise.all([
        db.jobs.where('deleted').equals(0).toArray(),
        db.parts.toArray(),
      ]);
      return {
        jobs: rows.map(({ job }) => job),
        shelf,
        state: rows.map(({ id, rev }) => `${id}${rev ?? 0}`).join(),
      };
    } catch (error) {
      return error as Error;
    }
  });
  const data = useMemo((): LogData | null => {
    if (!loaded || loaded instanceof Error) return null;
    const { jobs, shelf, state } = loaded;
    return { jobs, lines: logLines(jobs, shelf), since: sinceWhen(jobs), state };
  }, [loaded]);
  if (loaded instanceof Error) return <StorageTrouble error={loaded} />;
  if (!data) return null;
  return (
    <div className={classes.place}>
      <h1>Log</h1>
      <ViewTabs<keyof typeof VIEWS> views={VIEWS} first="fitted">
        {(view) => {
          switch (view) {
            case 'fitted':
              return <Fitted {...data} />;
            case 'back':
              return <CameBack {...data} />;
            case 'warranty':
              return <Warranties {...data} />;
            case 'lasting':
              return <Lasting {...data} />;
            case 'found':
              return <Found {...data} />;
          }
        }}
      </ViewTabs>
    </div>
  );
}
