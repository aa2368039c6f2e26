import { useLiveQuery } from 'dexie-react-hooks';
import { lazy } from 'react';
import { keptValues } from '../../store/kept.ts';
import { readStock, type ShelfStock } from '../../store/stock.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { ViewTabs } from '../../ui/ViewTabs.tsx';
import { PartsView } from './PartsView.tsx';
import classes from './Shelf.module.css';

const Shopping = lazy(() => import('./stock/Shopping.tsx'));
const Movements = lazy(() => import('./stock/Movements.tsx'));

type Loaded = ShelfStock | { trouble: Error };
const VIEWS = { parts: 'Parts', shopping: 'Shopping list', movements: 'Movements' } as const;

/** What is in stock, what has to be bought for all open jobs, and what came and went. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      // A sheet that is being written, and how tables were left, are kept beside the stock.
      const [stock] = await Promise.all([readStock(), keptValues.loaded()]);
      return stock;
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  return (
    <div className={classes.place}>
      <h1>Shelf</h1>
      <ViewTabs views={VIEWS} first="parts">
        {(view) => {
          if (view === 'parts') return <PartsView {...loaded} />;
          return view === 'shopping' ? <Shopping parts={loaded.parts} /> : <Movements parts={loaded.parts} />;
        }}
      </ViewTabs>
    </div>
  );
}
