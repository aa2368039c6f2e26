import { Button, NumberInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { SaidStep } from '../../../../core/words/work/sayStep.ts';
import { minutesTaken } from '../../../../core/work/times.ts';
import { useDesk } from '../../../job/workspace.ts';
import { useStepActs } from '../hand/useStepActs.ts';
import { useWait } from '../hand/waits.ts';
import classes from './Step.module.css';

/** How long a step takes: begun, paused, done; what is recorded narrows the ranges of later jobs. */
export function StepClock({ step }: { step: SaidStep }) {
  const { job } = useDesk();
  const { start, pause, resume } = useStepActs();
  const record = job.fit[step.id];
  const [low, high] = step.minutes;
  const origin = step.recorded ? `from ${step.recorded} on record` : 'typical';
  const range = `${figure(low)} to ${figure(high)} min, ${origin}`;
  const taken = record ? minutesTaken(record) : null;
  if (record?.doneAt)
    return <p className={classes.clock}>{taken === null ? range : `Took ${figure(taken)} min`}</p>;
  if (!record?.startedAt)
    return (
      <p className={classes.clock}>
        {range}
        <Button size="sm" variant="subtle" onClick={() => start(step)}>
          Start the clock
        </Button>
      </p>
    );
  return (
    <p className={classes.clock}>
      <Running since={record.startedAt} paused={record.pausedAt} pausedSeconds={record.pausedSeconds ?? 0} />{' '}
      of {range}
      <Button size="sm" variant="subtle" onClick={() => (record.pausedAt ? resume(step) : pause(step))}>
        {record.pausedAt ? 'Go on' : 'Pause'}
      </Button>
    </p>
  );
}

function Running({
  since,
  paused,
  pausedSeconds,
}: {
  since: string;
  paused: string | undefined;
  pausedSeconds: number;
}) {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    if (paused) return;
    const clock = setInterval(() => setNow(Date.now()), 10_000);
    return () => clearInterval(clock);
  }, [paused]);
  const until = paused ? Date.parse(paused) : Math.max(now, Date.parse(since));
  const minutes = Math.max(0, (until - Date.parse(since)) / 60_000 - pausedSeconds / 60);
  return <>{`${figure(minutes)} min${paused ? ', paused' : ''}`}</>;
}

const figure = (minutes: number) => (minutes < 1 ? 'under 1' : String(Math.round(minutes)));

/** Something that takes its time: a countdown, begun by whoever waits; it goes on while another step is looked at. */
export function WaitTimer({ name, what, minutes }: { name: string; what: string; minutes: number }) {
  const { left, running, start, stop } = useWait(name, minutes);
  const seconds = left ?? minutes * 60;
  const shown = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  return (
    <div className={classes.timer}>
      <span>
        {what} <b>{left === 0 ? 'time is up' : shown}</b>
      </span>
      <Button variant="default" onClick={running ? stop : start}>
        {running ? 'Stop' : left === null ? 'Start' : 'Once more'}
      </Button>
    </div>
  );
}

/** Glue, sealant, paint: whatever takes its time, as long as its maker says. */
export function OwnTimer({ step }: { step: SaidStep }) {
  const [minutes, setMinutes] = useState<number | string>(10);
  const value = Number(minutes);
  const usable = Number.isFinite(value) && value > 0 && value <= 600;
  return (
    <div className={classes.tool}>
      <NumberInput
        size="md"
        label="Glue, sealant, paint: wait as its maker says"
        suffix=" min"
        value={minutes}
        onChange={setMinutes}
        min={1}
        max={600}
        error={usable ? null : '1 to 600 min'}
      />
      {usable && <WaitTimer key={value} name={`${step.id}-own-${value}`} what="Wait" minutes={value} />}
    </div>
  );
}
