import { Button } from '@mantine/core';
import { lazy, Suspense } from 'react';
import type { FlashReading } from '../../../../core/flashmeter/reading.ts';
import { percent } from '../../../../core/formatting/format.ts';
import { flashReadingWords } from '../../../../core/words/flashMeter.ts';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import classes from './FlashMeter.module.css';
import { RateLine } from './TapPad.tsx';
import type { useFlashReading } from './useFlashReading.ts';

const TraceChart = lazy(() => import('./TraceChart.tsx'));

/** What a recording says: its rate, all it may be, or why none; and the recording with the flashes found in it. */
export function FlashResultView({ flash }: { flash: ReturnType<typeof useFlashReading> }) {
  const { result, busy, trouble, waitsForSecond, again, confirm, save, canSave } = flash;
  if (trouble)
    return (
      <p role="alert" className={classes.trouble}>
        {trouble}
      </p>
    );
  if (!result)
    return (
      <p role="status" className={classes.reading}>
        {busy ? 'Reading.' : waitsForSecond ? 'Record it again at another frame rate.' : 'Not measured yet.'}
      </p>
    );
  const { reading, trace } = result;
  return (
    <div className={classes.result}>
      <div className={classes.reading} role="status">
        {reading.kind === 'rate' ? <RateLine reading={reading} /> : `Not sure. ${flashReadingWords(reading)}`}
      </div>
      {reading.kind === 'either' && (
        <div className={classes.buttons}>
          {reading.rates.map((rate, index) => (
            <Button key={rate?.perMinute ?? 'none'} variant="default" onClick={() => confirm(index)}>
              {confirmWords(reading, index)}
            </Button>
          ))}
          {reading.doubt === 'beat' && (
            <Button variant="default" onClick={again}>
              Record at another frame rate
            </Button>
          )}
        </div>
      )}
      {reading.pulses && (
        <p className="faint">
          Its feed pulses at {reading.pulses.hertz.toFixed(1)} Hz, on for {percent(reading.pulses.duty)} of a
          pulse, measured.
        </p>
      )}
      {reading.kind === 'rate' && (
        <p className="faint">
          Beat even to {(1000 * reading.jitter).toFixed(0)} ms
          {result.samplesPerSecond === null ? '' : `, ${result.samplesPerSecond.toFixed(0)} samples a second`}
          .
        </p>
      )}
      {canSave && (
        <div>
          <Button size="xs" variant="subtle" onClick={() => save().catch(tellTrouble)}>
            Keep the recording as a file
          </Button>
        </div>
      )}
      {trace.at.length > 0 && (
        <Suspense fallback={<p className="faint">Drawing what was recorded.</p>}>
          <TraceChart trace={trace} flashes={reading.flashes} />
        </Suspense>
      )}
    </div>
  );
}

/** The one look that settles it, as a button each. */
function confirmWords({ doubt, rates }: Extract<FlashReading, { kind: 'either' }>, index: number): string {
  const rate = rates[index];
  if (doubt === 'beat')
    return rate ? `It goes dark each time: ${Math.round(rate.perMinute)} a minute` : 'It is lit all along';
  return `${index === 0 ? 'It lights at every click' : 'At every second click'}: ${Math.round(rate?.perMinute ?? 0)} a minute`;
}
