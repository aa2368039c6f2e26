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
  const [on, setOn] = useState<Pick<QuickTrial, 'lights' | 'engine' | 'brief'>>({
    lights: false,
    engine: false,
  });
  const chips = conditionChips(turning, on, (next) =>
    setOn(({ brief, lights, engine }) => {
      const short = 'brief' in next ? next.brief : brief;
      return {
        lights: next.lights ?? lights,
        engine: next.engine ?? engine,
        ...(short ? { brief: short } : {}),
      };
    }),
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
export function trialWords({ result, side, lights, engine, brief }: QuickTrial): string {
  return `${side} ${TRIAL_WORDS[result].toLowerCase()}, lights ${lights ? 'on' : 'off'}, engine ${engine ? 'on' : 'off'}${brief ? ', only a moment' : ''}`;
}
