import { Tabs } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense } from 'react';
import { useSearchParams } from 'react-router';
import { keptValues } from '../../store/kept.ts';
import { readStock, type ShelfStock } from '../../store/stock.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { PartsView } from './PartsView.tsx';
import classes from './Shelf.module.css';

const Shopping = lazy(() => import('./stock/Shopping.tsx'));
const Movements = lazy(() => import('./stock/Movements.tsx'));

type Loaded = ShelfStock | { trouble: Error };
const VIEWS = { parts: 'Parts', shopping: 'Shopping list', movements: 'Movements' } as const;
type View = keyof typeof VIEWS;

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
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view');
  const view: View = asked !== null && asked in VIEWS ? (asked as View) : 'parts';
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  return (
    <div className={classes.place}>
      <h1>Shelf</h1>
      <Tabs
        value={view}
        onChange={(next) => setSearch(next === 'parts' || !next ? {} : { view: next }, { replace: true })}
        keepMounted={false}
      >
        <Tabs.List>
          {(Object.entries(VIEWS) as [View, string][]).map(([value, words]) => (
            <Tabs.Tab key={value} value={value}>
              {words}
            </Tabs.Tab>
          ))}
        </Tabs.List>
        <Tabs.Panel value={view} className={classes.panel}>
          <Suspense fallback={null}>
            {view === 'parts' && <PartsView {...loaded} />}
            {view === 'shopping' && <Shopping parts={loaded.parts} />}
            {view === 'movements' && <Movements parts={loaded.parts} />}
          </Suspense>
        </Tabs.Panel>
      </Tabs>
    </div>
  );
}
