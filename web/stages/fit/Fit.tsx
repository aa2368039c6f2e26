import { Button } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { fitSteps, minutesLeft } from '../../../core/work/fitSteps.ts';
import type { FitStep } from '../../../core/work/steps/fitStep.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { shortMoment } from '../../ui/dates.ts';
import { SavedText } from '../../ui/SavedText.tsx';
import classes from './Fit.module.css';
import { StepDrawing } from './StepDrawing.tsx';
import { useSpace } from './useSpace.ts';

/** One step at a time, in the best order: big targets, for hands in gloves. */
export default function Fit() {
  const { job, shelf, edit, selectLamp } = useDesk();
  const steps = useMemo(() => fitSteps(job, shelf), [job, shelf]);
  const isDone = (id: string) => Boolean(job.fit[id]?.doneAt);
  const firstOpen = steps.findIndex((step) => !isDone(step.id));
  const [place, setPlace] = useState(() => Math.max(0, firstOpen));
  const index = Math.min(place, Math.max(0, steps.length - 1));
  const step = steps[index];
  const lampId = step?.lampId ?? null;
  useEffect(() => {
    if (lampId) selectLamp(lampId);
  }, [lampId, selectLamp]);

  const toggle = () => {
    if (!step) return;
    const done = isDone(step.id);
    edit(`${done ? 'Not done' : 'Done'}: ${step.title}`, (draft) => {
      const record = draft.fit[step.id] ?? { doneAt: null, note: '' };
      draft.fit[step.id] = { ...record, doneAt: done ? null : new Date().toISOString() };
    });
    if (!done) setPlace(Math.min(index + 1, steps.length - 1));
  };
  useSpace(toggle);

  if (!step) {
    return (
      <Card title="Work list">
        <p>
          Nothing to fit yet. Choose LEDs, and the steps appear here in the order that opens each panel once.
        </p>
      </Card>
    );
  }
  const done = steps.filter((each) => isDone(each.id)).length;
  const [low, high] = minutesLeft(steps, isDone);
  return (
    <div className={classes.grid}>
      <ol className={classes.list} aria-label="Steps">
        {steps.map((each, at) => (
          <li key={each.id}>
            <button
              type="button"
              aria-current={at === index ? 'step' : undefined}
              data-done={isDone(each.id)}
              onClick={() => setPlace(at)}
            >
              <Tick done={isDone(each.id)} />
              <span>
                {each.title}
                <span className={classes.place}>{each.place}</span>
              </span>
            </button>
          </li>
        ))}
      </ol>
      <div className={classes.step}>
        <div className={classes.progress}>
          <span>
            {done} of {steps.length} done
          </span>
          <span>
            {Math.round(low)} to {Math.round(high)} min left, typical
          </span>
          <progress value={done} max={steps.length} aria-label="Steps done" />
        </div>
        <StepBody key={step.id} step={step} number={index + 1} of={steps.length} />
        <div className={classes.actions}>
          <Button variant="default" size="xl" disabled={index === 0} onClick={() => setPlace(index - 1)}>
            Back
          </Button>
          {/* The second press of a double click belongs to the step before, not to this one. */}
          <Button size="xl" className={classes.go} onClick={(event) => event.detail < 2 && toggle()}>
            {isDone(step.id) ? 'Not done after all' : 'Done'}
          </Button>
          <Button
            variant="default"
            size="xl"
            disabled={index === steps.length - 1}
            onClick={() => setPlace(index + 1)}
          >
            Next
          </Button>
        </div>
      </div>
    </div>
  );
}

function StepBody({ step, number, of }: { step: FitStep; number: number; of: number }) {
  const { job, edit } = useDesk();
  const record = job.fit[step.id];
  return (
    <div className={classes.body}>
      <div className={classes.where}>
        <span>{step.place}</span>
        <span>
          step {number} of {of}
        </span>
      </div>
      <h2 className={classes.title}>{step.title}</h2>
      <p className={classes.text}>{step.text}</p>
      <StepDrawing step={step} job={job} />
      {step.cautions.map((caution) => (
        <Caution key={caution}>{caution}</Caution>
      ))}
      <SavedText
        label="Note, trouble, what was measured"
        value={record?.note ?? ''}
        maxLength={4000}
        multiline
        onSave={(note) =>
          edit(
            `Note: ${step.title}`,
            (draft) => {
              draft.fit[step.id] = { doneAt: draft.fit[step.id]?.doneAt ?? null, note };
            },
            { mergeKey: `fit-${step.id}` },
          )
        }
      />
      {record?.doneAt && <p className="faint">Done {shortMoment(record.doneAt)}</p>}
    </div>
  );
}

function Tick({ done }: { done: boolean }) {
  return (
    <svg width="18" height="18" viewBox="0 0 14 14" role="img" aria-label={done ? 'done' : 'open'}>
      <path
        d="M2 2h5a5 5 0 0 1 0 10H2z"
        fill={done ? 'var(--petrol)' : 'none'}
        stroke={done ? 'var(--petrol)' : 'var(--line2)'}
        strokeWidth="1.4"
      />
    </svg>
  );
}
