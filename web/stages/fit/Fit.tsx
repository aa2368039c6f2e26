import { Tabs } from '@mantine/core';
import { useSearchParams } from 'react-router';
import { connectorsOf } from '../../../core/wiring/connectors.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { useWorkPlan } from '../../workers/useFitting.ts';
import classes from './Fit.module.css';
import { JobSheet } from './order/JobSheet.tsx';
import { OrderView } from './order/OrderView.tsx';
import { StepsView } from './StepsView.tsx';
import { WiringView } from './wiring/WiringView.tsx';

const VIEWS = ['steps', 'wiring', 'order'] as const;
type View = (typeof VIEWS)[number];

/** The work at the vehicle: one step at a time, the wires beside it, and why in this order. */
export default function Fit() {
  const { job, shelf } = useDesk();
  const { data: plan, error } = useWorkPlan(job, shelf);
  const [search, setSearch] = useSearchParams();
  const view = VIEWS.find((each) => each === search.get('view')) ?? 'steps';
  const plug = search.get('plug') ?? connectorsOf(job.vehicle)[0]?.connector.id ?? '';
  const show = (next: View, plugId?: string) =>
    setSearch(
      (now) => {
        now.set('view', next);
        if (plugId) now.set('plug', plugId);
        return now;
      },
      { replace: true },
    );
  if (error) {
    return (
      <Card title="Work list">
        <p role="alert">The order of work could not be worked out: {error.message}</p>
      </Card>
    );
  }
  return (
    <Tabs
      value={view}
      onChange={(next) => next && show(next as View)}
      keepMounted={false}
      className={classes.views}
      classNames={{ panel: classes.panel }}
    >
      <Tabs.List>
        <Tabs.Tab value="steps">Steps</Tabs.Tab>
        <Tabs.Tab value="wiring">Wiring</Tabs.Tab>
        <Tabs.Tab value="order">Order</Tabs.Tab>
      </Tabs.List>
      <Tabs.Panel value="steps">
        {plan ? (
          <StepsView plan={plan} onWiring={(plugId) => show('wiring', plugId)} />
        ) : (
          <p className="faint">Working out the order of work.</p>
        )}
      </Tabs.Panel>
      <Tabs.Panel value="wiring">
        <WiringView connectorId={plug} onChoose={(id) => show('wiring', id)} />
      </Tabs.Panel>
      <Tabs.Panel value="order">{plan && <OrderView plan={plan} />}</Tabs.Panel>
      {plan && view !== 'wiring' && <JobSheet plan={plan} />}
    </Tabs>
  );
}
