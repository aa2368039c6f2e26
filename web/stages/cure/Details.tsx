import { Tabs } from '@mantine/core';
import { lazy, Suspense } from 'react';
import type { ResistorPlan } from '../../../core/cures/loadResistor/plan.ts';
import type { TurnVerdict } from '../../../core/judge/verdict.ts';
import { flashes } from '../../../core/model/scope.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { useDesk } from '../../job/workspace.ts';
import classes from './Cure.module.css';
import type { InHand } from './useInHand.ts';

const Resistors = lazy(() => import('./Resistors.tsx').then((module) => ({ default: module.Resistors })));
const RelayCard = lazy(() => import('./RelayCard.tsx').then((module) => ({ default: module.RelayCard })));
const SettingCard = lazy(() =>
  import('./SettingCard.tsx').then((module) => ({ default: module.SettingCard })),
);
const HeatCard = lazy(() => import('./HeatCard.tsx').then((module) => ({ default: module.HeatCard })));
const HazardCard = lazy(() => import('./HazardCard.tsx').then((module) => ({ default: module.HazardCard })));
const LampStrips = lazy(() => import('./LampStrips.tsx').then((module) => ({ default: module.LampStrips })));
const DecoderCard = lazy(() =>
  import('./DecoderCard.tsx').then((module) => ({ default: module.DecoderCard })),
);
const LearnCard = lazy(() => import('./LearnCard.tsx').then((module) => ({ default: module.LearnCard })));
const AttemptsCard = lazy(() =>
  import('./AttemptsCard.tsx').then((module) => ({ default: module.AttemptsCard })),
);

interface DetailsProps {
  inHand: InHand;
  plan: { data: ResistorPlan | undefined; error: Error | null; isFetching: boolean };
  /** as it is cured now */
  verdict: TurnVerdict;
}

interface Detail {
  id: string;
  title: string;
  panel: React.ReactNode;
}

/** The details of the cure in hand, one at a time. */
export function Details({ inHand, plan, verdict }: DetailsProps) {
  const { job } = useDesk();
  const { circuit, show, setShow } = inHand;
  const turning = circuit.kind === 'turn';
  // The resistors the circuit has, or those that are proposed: heat is best known before drilling.
  const proposed = turning ? plan.data?.search.choices[0]?.cure : undefined;
  const heated = (job.cures[circuit.id] ?? proposed)?.networks ?? [];
  const cured = (kind: string) => job.vehicleCures.some((cure) => cure.kind === kind);
  const details: Detail[] = [
    ...(cured('flasher-relay') ? [{ id: 'relay', title: 'Relay, wire by wire', panel: <RelayCard /> }] : []),
    ...(cured('controller-setting') ? [{ id: 'setting', title: 'Setting', panel: <SettingCard /> }] : []),
    ...(turning
      ? [
          {
            id: 'resistors',
            title: 'Resistors',
            panel: <Resistors plan={plan.data} error={plan.error} busy={plan.isFetching} />,
          },
        ]
      : []),
    ...(heated.length > 0 ? [{ id: 'heat', title: 'Heat', panel: <HeatCard networks={heated} /> }] : []),
    ...(flashes(job)
      ? [{ id: 'limits', title: 'Hazard and limits', panel: <HazardCard verdict={verdict} /> }]
      : []),
    { id: 'light', title: 'Four seconds of light', panel: <LampStrips circuit={circuit} /> },
    ...(job.vehicle.flasher.kind === 'controller'
      ? [{ id: 'pulses', title: 'Pulses and leakage', panel: <DecoderCard /> }]
      : []),
    { id: 'seen', title: 'What was seen', panel: <Seen circuit={circuit} /> },
  ];
  const shown = details.find(({ id }) => id === show) ?? details[0];
  if (!shown) return null;
  return (
    <Tabs
      value={shown.id}
      onChange={(id) => id && setShow(id)}
      keepMounted={false}
      classNames={{ list: classes.tabs, tab: classes.tab }}
    >
      <Tabs.List aria-label="Details of the cure">
        {details.map(({ id, title }) => (
          <Tabs.Tab key={id} value={id}>
            {title}
          </Tabs.Tab>
        ))}
      </Tabs.List>
      <Tabs.Panel value={shown.id} className={classes.panel}>
        <Suspense fallback={<p className="faint">Opening the details.</p>}>{shown.panel}</Suspense>
      </Tabs.Panel>
    </Tabs>
  );
}

function Seen({ circuit }: { circuit: Circuit }) {
  return (
    <>
      {circuit.kind === 'turn' && <LearnCard key={circuit.id} />}
      <AttemptsCard />
    </>
  );
}
