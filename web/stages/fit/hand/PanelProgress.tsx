import type { Job } from '../../../../core/model/job.ts';
import { openingsOf } from '../../../../core/work/access/openings.ts';
import type { FitStep } from '../../../../core/work/steps/fitStep.ts';
import { stepDone, stepState } from '../../../../core/work/steps/stepState.ts';
import classes from './PanelProgress.module.css';

const LENGTH = 232;
const WIDTH = 74;

/** How far each panel is, where it sits on the vehicle, nose to the left: done filled, the one in hand ringed. */
export function PanelProgress({
  job,
  steps,
  current,
  onChoose,
}: {
  job: Job;
  steps: readonly FitStep[];
  current: string | null;
  onChoose(openingId: string): void;
}) {
  const panels = openingsOf(job.vehicle).flatMap(({ opening, lamps }) => {
    const own = steps.filter((step) => step.openingId === opening.id);
    const plan = opening.plan ?? lamps[0]?.plan;
    if (own.length === 0 || !plan) return [];
    const done = own.filter((step) => stepDone(job, step)).length;
    const waits = own.some((step) => stepState(job, step) === 'waiting');
    const name = lamps[0]?.name ?? opening.name;
    const words = `${name}: ${waits ? 'waits for a part, ' : ''}${done} of ${own.length} steps done`;
    return [{ id: opening.id, plan, share: done / own.length, waits, words }];
  });
  return (
    <div className={classes.plan} role="group" aria-label="Panels on the vehicle, nose to the left">
      <svg viewBox={`0 0 ${LENGTH} ${WIDTH}`} aria-hidden="true">
        <path
          d={`M26 6H${LENGTH - 14}a8 8 0 0 1 8 8v${WIDTH - 28}a8 8 0 0 1 -8 8H26q-20 0 -20 -${(WIDTH - 12) / 2}t20 -${(WIDTH - 12) / 2}z`}
          className={classes.body}
        />
      </svg>
      {panels.map(({ id, plan, share, waits, words }) => (
        <button
          key={id}
          type="button"
          className={classes.panel}
          data-state={share >= 1 ? 'done' : waits ? 'waits' : share > 0 ? 'begun' : 'open'}
          aria-current={id === current ? 'step' : undefined}
          aria-label={words}
          title={words}
          // Where a panel sits is a figure of the vehicle: a style element or class cannot hold it.
          ref={(button) => {
            if (!button) return;
            button.style.left = `${4 + 92 * plan.along}%`;
            button.style.top = `${100 - (10 + 80 * plan.across)}%`;
          }}
          onClick={() => onChoose(id)}
        />
      ))}
    </div>
  );
}
