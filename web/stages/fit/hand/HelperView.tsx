import { capital } from '../../../../core/formatting/format.ts';
import type { SaidStep } from '../../../../core/words/work/sayStep.ts';
import classes from './HelperView.module.css';

/** One huge line for whoever sits in the seat, and under it what the one at the lamp must see. */
export function HelperView({ step }: { step: SaidStep }) {
  const { helper } = step;
  return (
    <div className={classes.view} aria-live="polite">
      <span className={classes.for}>In the seat</span>
      <p className={classes.say}>{helper ? capital(helper.say) : 'Nothing to switch: wait'}</p>
      {helper && (
        <>
          <span className={classes.for}>At the lamp, must light</span>
          <p className={classes.see}>{capital(helper.see)}</p>
        </>
      )}
    </div>
  );
}
