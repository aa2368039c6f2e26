import { SegmentedControl } from '@mantine/core';
import { Link, useParams } from 'react-router';
import { flasherWords } from '../../core/flashers/flasher.ts';
import type { Stage } from '../../core/model/job.ts';
import { DashStrip } from './plan/DashStrip.tsx';
import { DriverPanel } from './plan/DriverPanel.tsx';
import { PlanView } from './plan/PlanView.tsx';
import { TryFault } from './plan/TryFault.tsx';
import classes from './VehicleHalf.module.css';
import { useDesk, VEHICLE_SCREEN } from './workspace.ts';

const STAGES: readonly { value: Stage; label: string }[] = [
  { value: 'stock', label: 'As it is' },
  { value: 'leds', label: 'LEDs alone' },
  { value: 'cured', label: 'With the cure' },
];

/** The vehicle: plan, dash and driver's panel. */
export function VehicleHalf() {
  const { job, judges, stage, setStage } = useDesk();
  const { vehicle } = job;
  const { stop } = useParams();
  const { flasher } = judges[stage].turns.fitment;
  return (
    <section className={classes.half} aria-label="The vehicle">
      <div>
        <div className={classes.head}>
          <h1>{vehicle.name}</h1>
          {stop !== VEHICLE_SCREEN && (
            <Link to={`/jobs/${job.id}/${VEHICLE_SCREEN}`} className={classes.change}>
              Change
            </Link>
          )}
        </div>
        <p className={classes.sub}>
          {vehicle.year} · {vehicle.systemVolts} V system · {flasher.name} that{' '}
          {flasherWords(flasher).whatItDoes}
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
        <TryFault />
      </div>
    </section>
  );
}
