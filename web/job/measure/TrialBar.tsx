import type { Conditions, TrialResult } from '../../../core/model/evidence.ts';
import { STEADY_RESULTS, TRIAL_RESULTS } from '../../../core/model/trialResults.ts';
import classes from './TrialBar.module.css';

/** What a trial showed, in a word. */
export const TRIAL_WORDS: Record<TrialResult, string> = {
  normal: 'Normal',
  fast: 'Fast',
  slow: 'Slow',
  message: 'Message',
  dark: 'Dark',
  glows: 'Glows',
};
/** Of lamps that do not flash. */
/** One condition of a trial, corrected by one tap. */
export interface ConditionChip {
  label: string;
  change(): void;
}

/** `lights off`, `engine on`: conditions as chips. */
export function conditionChips(
  turning: boolean,
  on: Pick<Conditions, 'lights' | 'engine' | 'brief'> & Partial<Pick<Conditions, 'brake'>>,
  change: (next: Partial<Omit<Conditions, 'brief'>> & { brief?: true | undefined }) => void,
): ConditionChip[] {
  const { lights, brake, engine, brief } = on;
  return [
    { label: `lights ${lights ? 'on' : 'off'}`, change: () => change({ lights: !lights }) },
    ...(brake === undefined
      ? []
      : [{ label: `brake ${brake ? 'on' : 'off'}`, change: () => change({ brake: !brake }) }]),
    { label: `engine ${engine ? 'on' : 'off'}`, change: () => change({ engine: !engine }) },
    {
      label: brief ? 'only a moment' : turning ? 'ten flashes' : 'ten seconds',
      change: () => change({ brief: brief ? undefined : true }),
    },
  ];
}

/** Something fitted and looked at: one tap, its conditions beside it, each corrected by one. */
export function TrialBar({
  turning,
  chips,
  onSee,
}: {
  turning: boolean;
  chips: readonly ConditionChip[];
  onSee(result: TrialResult): void;
}) {
  const results = turning ? TRIAL_RESULTS : STEADY_RESULTS;
  return (
    <section className={classes.bar} aria-label="What was seen">
      <div className={classes.head}>
        <h3>I fitted it: it is</h3>
        <div className={classes.conditions}>
          {chips.map(({ label, change }) => (
            <button key={label} type="button" onClick={change}>
              {label}
            </button>
          ))}
        </div>
      </div>
      <div className={classes.results} data-few={!turning}>
        {results.map((result) => (
          <button key={result} type="button" onClick={() => onSee(result)}>
            {TRIAL_WORDS[result]}
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
