import { Tabs } from '@mantine/core';
import { type ReactNode, Suspense } from 'react';
import { useSearchParams } from 'react-router';
import classes from './ViewTabs.module.css';

/** Several views of one place under tabs; the one in hand is in the address. */
export function ViewTabs<V extends string>({
  views,
  first,
  children,
}: {
  views: Readonly<Record<V, string>>;
  /** the one shown where the address says none */
  first: V;
  children(view: V): ReactNode;
}) {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view');
  const view = asked !== null && asked in views ? (asked as V) : first;
  return (
    <Tabs
      value={view}
      onChange={(next) => setSearch(next === first || !next ? {} : { view: next }, { replace: true })}
      keepMounted={false}
    >
      <Tabs.List>
        {(Object.entries(views) as [V, string][]).map(([value, words]) => (
          <Tabs.Tab key={value} value={value}>
            {words}
          </Tabs.Tab>
        ))}
      </Tabs.List>
      <Tabs.Panel value={view} className={classes.panel}>
        <Suspense fallback={null}>{children(view)}</Suspense>
      </Tabs.Panel>
    </Tabs>
  );
}
