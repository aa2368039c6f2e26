import { Checkbox } from '@mantine/core';
import { useState } from 'react';
import type { SaidStep } from '../../../../core/words/work/sayStep.ts';
import type { Tick } from '../../../../core/words/work/stepWords.ts';
import type { StepTimer } from '../../../../core/work/steps/fitStep.ts';
import { settingTicked } from '../../../../core/work/steps/settingTicks.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Caution } from '../../../ui/Caution.tsx';
import { shortMoment } from '../../../ui/dates.ts';
import { SavedText } from '../../../ui/SavedText.tsx';
import { useStepActs } from '../hand/useStepActs.ts';
import classes from './Step.module.css';
import { OwnTimer, StepClock, WaitTimer } from './StepClock.tsx';
import { StepDrawing } from './StepDrawing.tsx';
import { StepSheet } from './StepSheet.tsx';
import { LostForm, PhotoForm, PolarityForm, TroubleForm, WaitForm } from './StepTools.tsx';

export type Tool = 'trouble' | 'wait' | 'lost' | 'note' | 'timer';

const TIMER_WORDS: Record<StepTimer['what'], string> = {
  cool: 'Let the bulbs cool, typical for 21 W:',
  airbag: 'Battery off: wait, by the vehicle’s maker:',
};

/** One step: where, what, what to tick off, what may hurt, and whatever the installer has to say of it. */
export function StepCard({
  step,
  number,
  of,
  tool,
  steps,
  plugId,
  onWiring,
}: {
  step: SaidStep;
  number: number;
  of: number;
  /** what is open below it */
  tool: Tool | null;
  steps: readonly SaidStep[];
  /** the plug of its lamp */
  plugId: string | undefined;
  onWiring(): void;
}) {
  const { job } = useDesk();
  const { tick, note } = useStepActs();
  const record = job.fit[step.id];
  const ticked = new Set(record?.ticks);
  // Ticks of older jobs stand under the words they were shown with.
  const isTicked = ({ id, label }: Tick) => {
    const told = settingTicked(job, step, id);
    return told ? told.cure[told.tick] === true : ticked.has(id) || ticked.has(label);
  };
  const [sheet, setSheet] = useState(false);
  return (
    <>
      <div className={classes.where}>
        <span>{step.place}</span>
        <span>
          step {number} of {of}
        </span>
      </div>
      <h2 className={classes.title}>{step.title}</h2>
      {step.blocked && (
        <p className={classes.blocked} role="status">
          <b>Cannot be done yet.</b> {step.blocked}
        </p>
      )}
      {record?.waitingFor && (
        <p className={classes.blocked} role="status">
          <b>Waits for:</b> {record.waitingFor}
        </p>
      )}
      {record?.trouble && tool !== 'trouble' && (
        <p className={classes.blocked} role="status">
          <b>Trouble:</b> {record.trouble}
        </p>
      )}
      <p className={classes.text}>{step.text}</p>
      {step.timer && step.timer.minutes !== null && (
        <WaitTimer name={step.id} what={TIMER_WORDS[step.timer.what]} minutes={step.timer.minutes} />
      )}
      {step.ticks && (
        <ul className={classes.ticks}>
          {step.ticks.map((what) => (
            <li key={what.id}>
              <Checkbox
                size="lg"
                label={what.label}
                checked={isTicked(what)}
                onChange={(event) => tick(step, what, event.currentTarget.checked)}
                classNames={{ body: classes.tick, label: classes.tickLabel }}
              />
            </li>
          ))}
        </ul>
      )}
      <StepDrawing step={step} job={job} />
      {step.polarityOf && <PolarityForm lampId={step.polarityOf} />}
      {step.cautions.map((caution) => (
        <Caution key={caution}>{caution}</Caution>
      ))}
      {tool === 'trouble' && <TroubleForm step={step} />}
      {tool === 'wait' && <WaitForm step={step} steps={steps} />}
      {tool === 'lost' && <LostForm step={step} />}
      {tool === 'timer' && <OwnTimer step={step} />}
      {(tool === 'note' || record?.note) && (
        <SavedText
          label="Note, what was measured"
          value={record?.note ?? ''}
          maxLength={4000}
          multiline
          onSave={(words) => note(step, words)}
        />
      )}
      <div className={classes.foot}>
        <StepClock step={step} />
        <span className={classes.links}>
          <PhotoForm step={step} />
          {plugId && (
            <button
              type="button"
              className={classes.link}
              aria-expanded={sheet}
              onClick={() => setSheet(!sheet)}
            >
              Wiring sheet
            </button>
          )}
        </span>
      </div>
      {sheet && plugId && <StepSheet plugId={plugId} onWiring={onWiring} />}
      {record?.doneAt && <p className="faint">Done {shortMoment(record.doneAt)}</p>}
    </>
  );
}
