import { lazy, useMemo } from 'react';
import { pickList } from '../../../core/inventory/picklist.ts';
import { waitsOf } from '../../../core/work/waits.ts';
import { useDesk } from '../../job/workspace.ts';
import { Caution } from '../../ui/Caution.tsx';
import { ViewTabs } from '../../ui/ViewTabs.tsx';
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

/** What to take along and what to buy first, what to look at when it comes, and what it all comes to. */
export default function Pick() {
  const { job, shelf } = useDesk();
  const { data: plan } = useWorkPlan(job, shelf);
  const steps = plan?.steps;
  const list = useMemo(() => pickList(job, shelf, steps), [job, shelf, steps]);
  const waits = waitsOf(job);
  return (
    <div className={classes.stage}>
      <PickHead list={list} />
      {waits.length > 0 && <Caution>Waits for: {waits.join('; ')}. The rest of the job goes on.</Caution>}
      <ViewTabs views={VIEWS} first="parts">
        {(view) => {
          if (view === 'parts') return <PickTable list={list} />;
          if (view === 'receiving') return <Receiving steps={steps ?? []} />;
          if (view === 'kits') return <Kits />;
          if (view === 'lamps') return <Lamps />;
          return view === 'ledger' ? <LedgerView /> : <Tools tools={list.tools} />;
        }}
      </ViewTabs>
    </div>
  );
}
