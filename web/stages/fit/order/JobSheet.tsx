import { stepDone } from '../../../../core/work/steps/stepState.ts';
import { useDesk } from '../../../job/workspace.ts';
import type { ShownPlan } from '../../../workers/useFitting.ts';
import classes from './JobSheet.module.css';

/** The work on one or two pages of paper with boxes to tick, for whoever leaves the phone in the cab. */
export function JobSheet({ plan }: { plan: ShownPlan }) {
  const { job } = useDesk();
  const cautions = [...new Set(plan.steps.flatMap((step) => step.cautions))];
  return (
    <section className={classes.sheet} aria-label="Job sheet for print">
      <h2>{job.title}</h2>
      <p>
        {job.vehicle.name}, {job.vehicle.year}. {plan.reasons.join(' ')}
      </p>
      <ol>
        {plan.steps.map((step) => (
          <li key={step.id}>
            <span className={classes.box}>{stepDone(job, step) ? '×' : ''}</span>
            <span>
              <b>{step.title}</b> <i>{step.place}</i>
              {step.load && !step.load.network.plugged && (
                <>
                  {' '}
                  Feed{' '}
                  {step.load.proof.feed ? `cavity ${step.load.proof.feed.cavity}` : 'not proved: measure'}.
                </>
              )}
              {step.ticks && step.kind !== 'bench' && (
                <span className={classes.ticks}>
                  {step.ticks.map((tick) => (
                    <span key={tick.id}>
                      <span className={classes.small} /> {tick.label}
                    </span>
                  ))}
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
      {cautions.length > 0 && (
        <>
          <h3>Mind</h3>
          <ul>
            {cautions.map((caution) => (
              <li key={caution}>{caution}</li>
            ))}
          </ul>
        </>
      )}
      <p className={classes.last}>
        A plan, no more: the vehicle maker’s data, local code and licensed practice decide.
      </p>
    </section>
  );
}
