import { SegmentedControl } from '@mantine/core';
import { lazy, Suspense } from 'react';
import type { VerdictState } from '../../../core/judge/states.ts';
import type { RatePrediction, TurnCircuitVerdict } from '../../../core/judge/verdict.ts';
import { lampIdsOf, turnCircuits } from '../../../core/model/vehicle/vehicle.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import { useCureReports } from '../../workers/useCureReports.ts';
import { useResistorPlan } from '../../workers/useResistorPlan.ts';
import classes from './Cure.module.css';
import { LoadGauge } from './LoadGauge.tsx';

// What stands further down is loaded after the gauge is there.
const CureTable = lazy(() => import('./CureTable.tsx').then((module) => ({ default: module.CureTable })));
const OwnResistors = lazy(() =>
  import('./OwnResistors.tsx').then((module) => ({ default: module.OwnResistors })),
);

const Arithmetic = lazy(() => import('./Arithmetic.tsx').then((module) => ({ default: module.Arithmetic })));
const HazardCard = lazy(() => import('./HazardCard.tsx').then((module) => ({ default: module.HazardCard })));
const ResistorTable = lazy(() =>
  import('./ResistorTable.tsx').then((module) => ({ default: module.ResistorTable })),
);
const SupplySlider = lazy(() =>
  import('./SupplySlider.tsx').then((module) => ({ default: module.SupplySlider })),
);
const LampStrips = lazy(() => import('./LampStrips.tsx').then((module) => ({ default: module.LampStrips })));
const RelayCard = lazy(() => import('./RelayCard.tsx').then((module) => ({ default: module.RelayCard })));
const LearnCard = lazy(() => import('./LearnCard.tsx').then((module) => ({ default: module.LearnCard })));
const SteadyCures = lazy(() =>
  import('./SteadyCures.tsx').then((module) => ({ default: module.SteadyCures })),
);
const SettingCard = lazy(() =>
  import('./SettingCard.tsx').then((module) => ({ default: module.SettingCard })),
);
const AttemptsCard = lazy(() =>
  import('./AttemptsCard.tsx').then((module) => ({ default: module.AttemptsCard })),
);
const DecoderCard = lazy(() =>
  import('./DecoderCard.tsx').then((module) => ({ default: module.DecoderCard })),
);
const CautionsCard = lazy(() =>
  import('./CautionsCard.tsx').then((module) => ({ default: module.CautionsCard })),
);
const HeatCard = lazy(() => import('./HeatCard.tsx').then((module) => ({ default: module.HeatCard })));

/** What the relay will see, and the resistors that make it content. */
export default function Cure() {
  const { job, shelf, circuit, selectCircuit, verdicts } = useDesk();
  const loaded = (job.cures[circuit.id] ?? null) !== null;
  const cured = loaded || job.vehicleCures.length > 0;
  const shown = (cured ? verdicts.cured : verdicts.leds).circuits.find(
    (each) => each.circuitId === circuit.id,
  );
  const plan = useResistorPlan(job, shelf, circuit);
  const reports = useCureReports(job, shelf, circuit);
  // The resistors the side has, or those that are proposed: heat is best known before drilling.
  const heated = (job.cures[circuit.id] ?? plan.data?.search.choices[0]?.cure)?.networks ?? [];
  if (!shown) return null;
  const converted = lampIdsOf(circuit).some((id) => job.chosen[id]);
  return (
    <div className={classes.cure}>
      <div className={classes.head}>
        <h2>
          {circuit.side === 'left' ? 'Left' : 'Right'} turn, {circuit.feeds.length} lamps
        </h2>
        <VerdictBadge state={shown.state} detail={detail(shown)} />
        <SegmentedControl
          aria-label="Circuit"
          className={classes.which}
          value={circuit.id}
          onChange={selectCircuit}
          data={turnCircuits(job.vehicle).map((each) => ({
            value: each.id,
            label: each.side === 'left' ? 'Left' : 'Right',
          }))}
        />
      </div>
      <p className={classes.reason}>
        {shown.reason} Computed from the rated bulbs and the wiring.{' '}
        {!converted && 'No LED is chosen on this side yet: go to Choose.'}
      </p>
      <div className={classes.gauge}>
        <LoadGauge />
        <Suspense fallback={<div className={classes.slider} />}>
          <SupplySlider />
        </Suspense>
      </div>
      {verdicts.leds.unknowns.length > 0 && (
        <Caution>
          {verdicts.leds.unknowns.map((unknown) => unknown.narrow).join(' ')} Until then what is said here
          must hold either way.
        </Caution>
      )}
      <Suspense fallback={<p className="faint">Opening the comparison.</p>}>
        <CureTable reports={reports.data} error={reports.error} busy={reports.isFetching} />
      </Suspense>
      <div className={classes.columns}>
        <Card title="Resistors that would hold here">
          <Suspense fallback={<p className="faint">Opening the table.</p>}>
            <ResistorTable plan={plan.data} error={plan.error} busy={plan.isFetching} />
            <OwnResistors />
          </Suspense>
        </Card>
        <Suspense fallback={null}>
          <Arithmetic plan={plan.data} />
        </Suspense>
      </div>
      <Suspense fallback={null}>
        <RelayCard />
        <SettingCard />
        {heated.length > 0 && <HeatCard networks={heated} />}
        <SteadyCures />
        <DecoderCard />
        <LearnCard key={circuit.id} />
        <AttemptsCard />
      </Suspense>
      <Suspense fallback={null}>
        <LampStrips />
        <HazardCard verdict={cured ? verdicts.cured : verdicts.leds} />
        <CautionsCard verdict={cured ? verdicts.cured : verdicts.leds} />
      </Suspense>
    </div>
  );
}

function detail(verdict: TurnCircuitVerdict): string {
  const words: Record<VerdictState, string> = {
    holds: `flashes at ${rate(verdict.rate)}`,
    'either-way': rate(verdict.rate),
    'falls-short': verdict.rate.high > 0 ? `flashes fast, ${rate(verdict.rate)}` : 'does not flash',
    'too-much': 'over a limit',
  };
  return words[verdict.state];
}

function rate({ low, high }: RatePrediction): string {
  if (low === 0 && high > 0) return `${Math.round(high)} a minute, or not at all`;
  return low === high ? `${Math.round(low)} a minute` : `${Math.round(low)} or ${Math.round(high)} a minute`;
}
