import type { WorkPlan } from '../../../../core/work/fitSteps.ts';
import { stepDone } from '../../../../core/work/stepState.ts';
import { useDesk } from '../../../job/workspace.ts';
import classes from './JobSheet.module.css';

/** The work on one or two pages of paper with boxes to tick, for whoever leaves the phone in the cab. */
export function JobSheet({ plan }: { plan: WorkPlan }) {
  const { job } = useDesk();
  const cautions = [...new Set(plan.steps.flatMap((step) => step.cautions))];
  return (
    <section className={classes.sheet} aria-label="Job sheet for print">
      <h2>{job.title}</h2>
      <p>
        {job.vehicle.name}, {job.vehicle.year}. {plan.route.reasons.join(' ')}
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
                    <span key={tick}>
                      <span className={classes.small} /> {tick}
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
