import { VERDICT_WORDS, type VerdictState } from '../../core/judge/states.ts';
import { Mark } from './Mark.tsx';
import classes from './VerdictBadge.module.css';

/** A verdict as shape, colour and word. `detail` says what it means here. */
export function VerdictBadge({ state, detail }: { state: VerdictState; detail?: string }) {
  return (
    <span className={classes.badge} data-state={state}>
      <Mark state={state} />
      {VERDICT_WORDS[state]}
      {detail ? `: ${detail}` : ''}
    </span>
  );
}
