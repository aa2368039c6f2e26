import { SegmentedControl } from '@mantine/core';
import type { Stage } from '../../core/model/job.ts';
import { volts } from '../../core/quantities/format.ts';
import { DashStrip } from './plan/DashStrip.tsx';
import { DriverPanel } from './plan/DriverPanel.tsx';
import { PlanView } from './plan/PlanView.tsx';
import classes from './VehicleHalf.module.css';
import { useWorkspace } from './workspace.ts';

const STAGES: readonly { value: Stage; label: string }[] = [
  { value: 'stock', label: 'As it is' },
  { value: 'leds', label: 'LEDs alone' },
  { value: 'cured', label: 'With the cure' },
];

/** The vehicle: plan, dash and driver's panel. */
export function VehicleHalf() {
  const { job, stage, setStage, supplyVolts } = useWorkspace();
  const { vehicle } = job;
  return (
    <section className={classes.half} aria-label="The vehicle">
      <div>
        <h1>{vehicle.name}</h1>
        <p className={classes.sub}>
          {vehicle.year} · {vehicle.systemVolts} V system · {vehicle.flasher.name} that watches current ·
          supply {volts(supplyVolts)}
        </p>
        <SegmentedControl
          data={[...STAGES]}
          value={stage}
          onChange={(value) => setStage(value as Stage)}
          aria-label="State of the vehicle"
          className={classes.stages}
        />
      </div>
      <PlanView />
      <div>
        <DashStrip />
        <DriverPanel />
      </div>
    </section>
  );
}
