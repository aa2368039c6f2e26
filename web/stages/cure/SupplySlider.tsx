import { Slider } from '@mantine/core';
import { volts } from '../../../core/formatting/format.ts';
import { workingPoints } from '../../../core/judge/workingPoints.ts';
import { useWorkspace } from '../../job/workspace.ts';
import classes from './SupplySlider.module.css';

/** The supply: moving it moves the gauge, the lamps and the rate. */
export function SupplySlider() {
  const { job, supplyVolts, setSupplyVolts } = useWorkspace();
  const system = job.vehicle.systemVolts / 12;
  const points = workingPoints(job.vehicle.systemVolts);
  const nearest = points.find((point) => Math.abs(point.volts - supplyVolts) < 0.06 * system);
  return (
    <div className={classes.row}>
      <b className={classes.volts}>{volts(supplyVolts)}</b>
      <Slider
        className={classes.slider}
        aria-label="Supply"
        thumbLabel="Supply"
        min={Number((10.5 * system).toFixed(1))}
        max={Number((15 * system).toFixed(1))}
        step={0.1}
        precision={1}
        value={Number(supplyVolts.toFixed(1))}
        onChange={setSupplyVolts}
        label={null}
        marks={points.map((point) => ({ value: point.volts }))}
      />
      <span className={classes.where}>{nearest ? nearest.label : 'supply, battery EMF'}</span>
    </div>
  );
}
