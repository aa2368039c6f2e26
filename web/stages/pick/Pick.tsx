import { Tabs } from '@mantine/core';
import { lazy, Suspense, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { pickList } from '../../../core/inventory/picklist.ts';
import { waitsOf } from '../../../core/work/waits.ts';
import { useDesk } from '../../job/workspace.ts';
import { Caution } from '../../ui/Caution.tsx';
import { useWorkPlan } from '../../workers/useFitting.ts';
import classes from './Pick.module.css';
import { PickHead } from './PickHead.tsx';
import { PickTable } from './PickTable.tsx';
import { Tools } from './Tools.tsx';

const Receiving = lazy(() => import('./receiving/Receiving.tsx'));
const Kits = lazy(() => import('./kits/Kits.tsx'));
const Lamps = lazy(() => import('./lamps/Lamps.tsx'));
const LedgerView = lazy(() => import('./ledger/LedgerView.tsx'));

const VIEWS = {
  parts: 'Parts',
  receiving: 'Receiving',
  kits: 'Kits',
  lamps: 'Whole and added lamps',
  ledger: 'Ledger',
  tools: 'Tools',
} as const;
type View = keyof typeof VIEWS;

/** What to take along and what to buy first, what to look at when it comes, and what it all comes to. */
export default function Pick() {
  const { job, shelf } = useDesk();
  const { data: plan } = useWorkPlan(job, shelf);
  const steps = plan?.steps;
  const list = useMemo(() => pickList(job, shelf, steps), [job, shelf, steps]);
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view');
  const view: View = asked !== null && asked in VIEWS ? (asked as View) : 'parts';
  const waits = waitsOf(job);
  return (
    <div className={classes.stage}>
      <PickHead list={list} />
      {waits.length > 0 && <Caution>Waits for: {waits.join('; ')}. The rest of the job goes on.</Caution>}
      <Tabs
        value={view}
        onChange={(next) =>
          setSearch(
            (now) => {
              now.set('view', next ?? 'parts');
              return now;
            },
            { replace: true },
          )
        }
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
            {view === 'parts' && <PickTable list={list} />}
            {view === 'receiving' && <Receiving steps={steps ?? []} />}
            {view === 'kits' && <Kits />}
            {view === 'lamps' && <Lamps />}
            {view === 'ledger' && <LedgerView />}
            {view === 'tools' && <Tools tools={list.tools} />}
          </Suspense>
        </Tabs.Panel>
      </Tabs>
    </div>
  );
}
