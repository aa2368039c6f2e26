import { SegmentedControl } from '@mantine/core';
import type { VerdictState } from '../../../core/verdict/states.ts';
import type { CircuitVerdict, RatePrediction } from '../../../core/verdict/verdict.ts';
import { useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { VerdictBadge } from '../../ui/VerdictBadge.tsx';
import { useResistorPlan } from '../../workers/useResistorPlan.ts';
import { Arithmetic } from './Arithmetic.tsx';
import classes from './Cure.module.css';
import { HazardCard } from './HazardCard.tsx';
import { LampStrips } from './LampStrips.tsx';
import { LoadGauge } from './LoadGauge.tsx';
import { OwnResistors } from './OwnResistors.tsx';
import { ResistorTable } from './ResistorTable.tsx';
import { SupplySlider } from './SupplySlider.tsx';

/** What the relay will see, and the resistors that make it content. */
export default function Cure() {
  const { job, shelf, circuit, selectCircuit, verdicts } = useWorkspace();
  const cured = (job.cures[circuit.id] ?? null) !== null;
  const shown = (cured ? verdicts.cured : verdicts.leds).circuits.find(
    (each) => each.circuitId === circuit.id,
  );
  const plan = useResistorPlan(job, shelf, circuit);
  if (!shown) return null;
  const converted = circuit.lampIds.some((id) => job.chosen[id]);
  return (
    <div className={classes.cure}>
      <div className={classes.head}>
        <h2>
          {circuit.side === 'left' ? 'Left' : 'Right'} turn, {circuit.lampIds.length} lamps
        </h2>
        <VerdictBadge state={shown.state} detail={detail(shown)} />
        <SegmentedControl
          aria-label="Circuit"
          className={classes.which}
          value={circuit.id}
          onChange={selectCircuit}
          data={job.vehicle.circuits.map((each) => ({
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
        <SupplySlider />
      </div>
      <div className={classes.columns}>
        <Card title="Resistors that would hold here">
          <ResistorTable plan={plan.data} error={plan.error} busy={plan.isFetching} />
          <OwnResistors />
        </Card>
        <Arithmetic plan={plan.data} />
      </div>
      <LampStrips />
      <HazardCard verdict={cured ? verdicts.cured : verdicts.leds} />
      {cured && (
        <Caution>
          Resistors get past 100 °C: bare metal, in air, never on plastic, carpet or the loom. They also hide
          a dead LED: the flash stays normal, so the lamps must be looked at. Where the law wants an outage
          shown, that matters.
        </Caution>
      )}
    </div>
  );
}

function detail(verdict: CircuitVerdict): string {
  const words: Record<VerdictState, string> = {
    holds: `flashes at ${rate(verdict.rate)}`,
    'either-way': rate(verdict.rate),
    'falls-short': `flashes fast, ${rate(verdict.rate)}`,
    'too-much': 'over a limit',
  };
  return words[verdict.state];
}

function rate({ low, high }: RatePrediction): string {
  return low === high ? `${Math.round(low)} a minute` : `${Math.round(low)} or ${Math.round(high)} a minute`;
}
