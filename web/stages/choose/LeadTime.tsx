import { NativeSelect } from '@mantine/core';
import { distance, roadSpeed } from '../../../core/formatting/units.ts';
import { leadSeconds, metresIn } from '../../../core/light/leadTime.ts';
import type { Bulb } from '../../../core/model/bulb.ts';
import { useDesk } from '../../job/workspace.ts';
import { useKept } from '../../store/kept.ts';
import classes from './Choose.module.css';

const SPEEDS = [30, 50, 80, 100, 120] as const;

/** How much sooner an LED is lit than this filament, in milliseconds and on the road. */
export function LeadTime({ bulb }: { bulb: Bulb }) {
  const { vehicle } = useDesk().job;
  const [speed, setSpeed] = useKept<number>('speed', 100, (raw) => SPEEDS.find((each) => each === raw));
  const seconds = leadSeconds(bulb, 1.05 * vehicle.systemVolts);
  return (
    <p className={classes.lead}>
      An LED is lit {Math.round(1000 * seconds)} ms sooner than the {bulb.names[0]}:{' '}
      {distance(metresIn(seconds, speed), 1)} at{' '}
      <NativeSelect
        size="xs"
        aria-label="Speed"
        value={String(speed)}
        data={SPEEDS.map((each) => ({ value: String(each), label: roadSpeed(each) }))}
        onChange={(event) => setSpeed(Number(event.currentTarget.value))}
      />{' '}
      <span className="faint">Computed: from cold to nine tenths of the filament’s light.</span>
    </p>
  );
}
