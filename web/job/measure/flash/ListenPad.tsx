import { Button } from '@mantine/core';
import { useCallback } from 'react';
import type { Sound } from '../../../../core/flashmeter/onsets.ts';
import classes from './FlashMeter.module.css';
import type { useFlashReading } from './useFlashReading.ts';
import { useMicrophone } from './useMicrophone.ts';

/** The relay's clicks, by the microphone. */
export function ListenPad({ flash }: { flash: ReturnType<typeof useFlashReading> }) {
  const { read } = flash;
  const onSound = useCallback((sound: Sound) => void read({ kind: 'sound', sound }), [read]);
  const { listening, seconds, trouble, start, stop } = useMicrophone(onSound);
  return (
    <div className={classes.pad}>
      <p className={classes.hint}>
        Hold the phone near the flasher relay, engine off, radio off. Ten flashes are enough. Nothing that is
        heard is kept.
      </p>
      <Button size="lg" onClick={listening ? stop : start} variant={listening ? 'default' : 'filled'}>
        {listening ? `Stop, ${seconds} s heard` : 'Listen to the relay'}
      </Button>
      {trouble && (
        <p role="alert" className={classes.trouble}>
          {trouble}
        </p>
      )}
    </div>
  );
}
