import { useEffect } from 'react';
import type { FlashReading } from '../../../../core/flashmeter/reading.ts';
import { noRateWords, restsOnWords } from '../../../../core/words/flashMeter.ts';
import { useTaps } from '../useTaps.ts';
import classes from './FlashMeter.module.css';

/** One large button, tapped once a flash. */
export function TapPad({ onReading }: { onReading(reading: FlashReading): void }) {
  const { taps, reading, tap } = useTaps();
  useEffect(() => onReading(reading), [reading, onReading]);
  return (
    <>
      <button type="button" className={classes.tap} onClick={tap}>
        <span className={classes.tapWord}>Tap at each flash</span>
        <span className={classes.tapHint}>
          or <kbd>M</kbd>, {taps} {taps === 1 ? 'tap' : 'taps'} so far
        </span>
      </button>
      <div className={classes.reading} role="status">
        {reading.kind === 'rate' ? (
          <RateLine reading={reading} />
        ) : reading.kind === 'not-sure' ? (
          taps === 0 ? (
            'Not measured yet. Tap once a flash: five taps at least, ten are better.'
          ) : (
            `Not sure. ${noRateWords(reading.reason)}`
          )
        ) : null}
      </div>
    </>
  );
}

/** The rate in large figures, and what it rests on. */
export function RateLine({ reading }: { reading: Extract<FlashReading, { kind: 'rate' }> }) {
  const { perMinute, uncertainty } = reading.rate;
  return (
    <>
      <b>{Math.round(perMinute)}</b> ±{' '}
      {uncertainty < 0.95 ? Math.max(0.1, uncertainty).toFixed(1) : Math.round(uncertainty)} a minute,
      measured {restsOnWords(reading)}
    </>
  );
}
