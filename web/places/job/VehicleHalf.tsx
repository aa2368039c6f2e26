import { SegmentedControl } from '@mantine/core';
import { lazy, Suspense } from 'react';
import { Link, useParams } from 'react-router';
import { flasherWords } from '../../../core/devices/flasher.ts';
import type { Configuration } from '../../../core/model/cures.ts';
import { flashes } from '../../../core/model/scope.ts';
import { DashStrip } from '../../job/plan/DashStrip.tsx';
import { DriverPanel } from '../../job/plan/DriverPanel.tsx';
import { PlanView } from '../../job/plan/PlanView.tsx';
import { BENCH_SCREEN, useDesk, VEHICLE_SCREEN } from '../../job/workspace.ts';
import classes from './VehicleHalf.module.css';

// Every kind of fault comes with it, and the lamps are to be drawn first.
const TryFault = lazy(() =>
  import('../../job/plan/TryFault.tsx').then((module) => ({ default: module.TryFault })),
);

const CONFIGURATIONS: readonly { value: Configuration; label: string }[] = [
  { value: 'stock', label: 'As it is' },
  { value: 'leds', label: 'LEDs alone' },
  { value: 'cured', label: 'With the cure' },
];

/** The vehicle: plan, dash and driver's panel. */
export function VehicleHalf() {
  const { job, fitments, configuration, setConfiguration } = useDesk();
  const { vehicle } = job;
  const { stage } = useParams();
  const { flasher } = fitments[configuration];
  return (
    <section className={classes.half} aria-label="The vehicle">
      <div>
        <div className={classes.head}>
          <h1>{vehicle.name}</h1>
          {stage !== VEHICLE_SCREEN && (
            <Link to={`/jobs/${job.id}/${VEHICLE_SCREEN}`} className={classes.change}>
              Change
            </Link>
          )}
          {stage !== BENCH_SCREEN && (
            <Link to={`/jobs/${job.id}/${BENCH_SCREEN}`} className={classes.change}>
              Measure
            </Link>
          )}
        </div>
        <p className={classes.sub}>
          {vehicle.year} · {vehicle.systemVolts} V system
          {flashes(job) &&
            (vehicle.facts?.flashers && !vehicle.facts.flasherSeen
              ? ` · flasher not looked at, drawn as a ${flasher.name}`
              : ` · ${flasher.name} that ${flasherWords(flasher).whatItDoes}`)}
        </p>
        <SegmentedControl
          data={[...CONFIGURATIONS]}
          value={configuration}
          onChange={(value) => setConfiguration(value as Configuration)}
          aria-label="State of the vehicle"
          className={classes.configurations}
        />
      </div>
      <PlanView />
      <div>
        <DashStrip />
        <DriverPanel />
        <Suspense fallback={<div className={classes.whatIf} />}>
          <TryFault />
        </Suspense>
      </div>
    </section>
  );
}
