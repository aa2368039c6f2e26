import { SegmentedControl } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { FlashReading } from '../../../../core/flashmeter/reading.ts';
import { CameraPad } from './CameraPad.tsx';
import { FilePad } from './FilePad.tsx';
import classes from './FlashMeter.module.css';
import { FlashResultView } from './FlashResultView.tsx';
import { FLASH_WAYS, type FlashWay, methodOf, type TakenReading } from './flashMethod.ts';
import { ListenPad } from './ListenPad.tsx';
import { TapPad } from './TapPad.tsx';
import { useFlashReading } from './useFlashReading.ts';

/**
 * The flash meter: taps, the relay's clicks, a camera or a file, read by one path. Whatever it reads is handed up; what is in
 * doubt shows all it may be, and asks for the one look that settles it.
 *
 * @param round another number begins anew
 */
export function FlashMeter({
  pulsed,
  round,
  onReading,
}: {
  /** whether the lamps' feed pulses while it is on; null: nobody knows */
  pulsed: boolean | null;
  round: number;
  onReading(taken: TakenReading | null): void;
}) {
  const [way, setWay] = useState<FlashWay>('tap');
  const [taps, setTaps] = useState<FlashReading | null>(null);
  const flash = useFlashReading({ pulsed });
  const { result, looked, clear } = flash;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another round begins anew
  useEffect(() => {
    clear();
    setTaps(null);
  }, [round, way]);
  useEffect(() => {
    if (way === 'tap') onReading(taps && { reading: taps, method: 'tapped', looked: false });
    else
      onReading(
        result && {
          reading: result.reading,
          method: methodOf(result.kind, way, result.columns.length > 0),
          looked,
        },
      );
  }, [way, taps, result, looked, onReading]);
  return (
    <div className={classes.meter}>
      <SegmentedControl
        fullWidth
        aria-label="Measure by"
        value={way}
        onChange={(next) => setWay(next as FlashWay)}
        data={Object.entries(FLASH_WAYS).map(([value, label]) => ({ value, label }))}
      />
      {way === 'tap' && <TapPad key={round} onReading={setTaps} />}
      {way === 'listen' && <ListenPad key={round} flash={flash} />}
      {way === 'camera' && <CameraPad key={round} flash={flash} />}
      {way === 'file' && <FilePad key={round} flash={flash} />}
      {way !== 'tap' && <FlashResultView flash={flash} />}
    </div>
  );
}
