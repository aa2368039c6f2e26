import { useState } from 'react';
import { type QuickTrial, TRIAL_RESULTS, type TrialResult } from '../../../core/quick/question.ts';
import classes from './Quick.module.css';

const WORDS: Record<TrialResult, string> = {
  normal: 'Normal',
  fast: 'Fast',
  slow: 'Slow',
  message: 'Message',
  dark: 'Dark',
  glows: 'Glows',
};
/** Of lamps that do not flash. */
const STEADY: readonly TrialResult[] = ['normal', 'message', 'dark', 'glows'];

/** One LED fitted and looked at: one tap, its conditions beside it, each corrected by one. */
export function TrialBar({
  turning,
  single,
  onSee,
}: {
  turning: boolean;
  single: boolean;
  onSee(trial: QuickTrial): void;
}) {
  const [side, setSide] = useState<'left' | 'right'>('left');
  const [lights, setLights] = useState(false);
  const [engine, setEngine] = useState(false);
  const results = turning ? TRIAL_RESULTS : STEADY;
  return (
    <section className={classes.trial} aria-label="What was seen">
      <div className={classes.trialHead}>
        <h2>I fitted it: it is</h2>
        <div className={classes.conditions}>
          {!single && (
            <button type="button" onClick={() => setSide(side === 'left' ? 'right' : 'left')}>
              {side}
            </button>
          )}
          <button type="button" onClick={() => setLights(!lights)}>
            lights {lights ? 'on' : 'off'}
          </button>
          <button type="button" onClick={() => setEngine(!engine)}>
            engine {engine ? 'on' : 'off'}
          </button>
        </div>
      </div>
      <div className={classes.results} data-few={!turning}>
        {results.map((result) => (
          <button
            key={result}
            type="button"
            onClick={() => onSee({ result, side, lights, engine, supplyVolts: null })}
          >
            {WORDS[result]}
          </button>
        ))}
      </div>
      <p className={classes.faint}>
        {turning
          ? 'Normal counts after ten flashes, on a controller after ten seconds.'
          : 'No message counts after ten seconds.'}
      </p>
    </section>
  );
}

/** A trial in words: `left fast, lights off, engine off`. */
export function trialWords({ result, side, lights, engine }: QuickTrial): string {
  return `${side} ${WORDS[result].toLowerCase()}, lights ${lights ? 'on' : 'off'}, engine ${engine ? 'on' : 'off'}`;
}
