import { lazy } from 'react';
import { useLog } from '../../job/useLog.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { ViewTabs } from '../../ui/ViewTabs.tsx';
import classes from './Log.module.css';

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

/** All that was ever fitted, how long it lasted, what came back. */
export function Component() {
  const data = useLog();
  if (data instanceof Error) return <StorageTrouble error={data} />;
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
