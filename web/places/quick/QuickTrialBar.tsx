import { useState } from 'react';
import type { QuickTrial } from '../../../core/quick/question.ts';
import { conditionChips, TRIAL_WORDS, TrialBar } from '../../job/measure/TrialBar.tsx';
import classes from './Quick.module.css';

/** The trial of a quick check: on the left with everything off, until one says otherwise. */
export function QuickTrialBar({
  turning,
  single,
  onSee,
}: {
  turning: boolean;
  single: boolean;
  onSee(trial: QuickTrial): void;
}) {
  const [side, setSide] = useState<'left' | 'right'>('left');
  const [on, setOn] = useState({ lights: false, engine: false });
  const chips = conditionChips(on, (next) =>
    setOn((before) => ({ lights: next.lights ?? before.lights, engine: next.engine ?? before.engine })),
  );
  const sides = { label: side, change: () => setSide(side === 'left' ? 'right' : 'left') };
  return (
    <div className={classes.trial}>
      <TrialBar
        turning={turning}
        chips={single ? chips : [sides, ...chips]}
        onSee={(result) => onSee({ result, side, ...on, supplyVolts: null })}
      />
    </div>
  );
}

/** A trial in words: `left fast, lights off, engine off`. */
export function trialWords({ result, side, lights, engine }: QuickTrial): string {
  return `${side} ${TRIAL_WORDS[result].toLowerCase()}, lights ${lights ? 'on' : 'off'}, engine ${engine ? 'on' : 'off'}`;
}
