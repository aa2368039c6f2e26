import { Button, Checkbox, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Part } from '../../../../core/model/part.ts';
import { receivingTicks } from '../../../../core/words/receiving.ts';
import type { Tick } from '../../../../core/words/work/stepWords.ts';
import { clearWrong, flagWrong, stepsWith } from '../../../../core/work/receiving.ts';
import type { FitStep } from '../../../../core/work/steps/fitStep.ts';
import { partsToReceive } from '../../../../core/work/steps/toReceive.ts';
import { useDesk } from '../../../job/workspace.ts';
import { useDraftText } from '../../../store/draft.ts';
import { Card } from '../../../ui/Card.tsx';
import { shortMoment } from '../../../ui/dates.ts';
import classes from './Receiving.module.css';

/** The step of Fit whose ticks these are: one and the same record. */
const STEP = 'receive';

/** Every part looked at before anything is opened: a wrong one found now is a return, found later it is the day. */
export default function Receiving({ steps }: { steps: readonly FitStep[] }) {
  const { job, shelf } = useDesk();
  const parts = partsToReceive(job, shelf);
  if (parts.length === 0) return <p>No parts are planned yet: there is nothing to look at.</p>;
  return (
    <>
      <p className={`faint ${classes.intro}`}>
        The same ticks stand on the first step of Fit. What is not right is marked here: it goes back, what it
        is for waits, and the rest of the job goes on.
      </p>
      <div className={classes.parts}>
        {parts.map((part) => (
          <ReceivedPart key={part.id} part={part} steps={steps} />
        ))}
      </div>
    </>
  );
}

function ReceivedPart({ part, steps }: { part: Part; steps: readonly FitStep[] }) {
  const { job, shelf, edit } = useDesk();
  const [note, setNote, forget] = useDraftText(`wrong-${job.id}-${part.id}`);
  const [saying, setSaying] = useState(note !== '');
  const ticks = receivingTicks(part, job.vehicle);
  const ticked = new Set(job.fit[STEP]?.ticks);
  const wrong = job.wrongParts?.find(({ partId }) => partId === part.id);
  const done = ticks.filter(({ id }) => ticked.has(id)).length;
  const waiting = stepsWith(job, shelf, steps, part.id).length;
  const tick = ({ id, label }: Tick, on: boolean) =>
    edit(`${on ? 'Ticked' : 'Not ticked'} ${label}`, (draft) => {
      const record = draft.fit[STEP] ?? { doneAt: null, note: '' };
      const others = (record.ticks ?? []).filter((each) => each !== id);
      record.ticks = on ? [...others, id] : others;
      draft.fit[STEP] = record;
    });
  const flag = () => {
    const words = note.trim();
    if (words === '') return;
    edit(`Came wrong: ${part.code}`, (draft) =>
      flagWrong(draft, shelf, steps, part, words, new Date().toISOString()),
    );
    setSaying(false);
    forget();
  };
  return (
    <Card
      title={part.code}
      aside={
        <span className="faint">
          {ticks.length === 0 ? 'nothing written down' : `${done} of ${ticks.length}`}
        </span>
      }
    >
      <p className={classes.name}>
        {part.name}
        {part.warrantyMonths !== undefined && (
          <span className="faint">
            {' '}
            Warranty {part.warrantyMonths} months from the day it is fitted
            {part.warrantyVoid && `, ended early by ${part.warrantyVoid}`}.
          </span>
        )}
      </p>
      <ul className={classes.ticks}>
        {ticks.map((each) => (
          <li key={each.id}>
            <Checkbox
              label={each.label.replace(`${part.code}: `, '').replace(`${part.code} `, '')}
              checked={ticked.has(each.id)}
              onChange={(event) => tick(each, event.currentTarget.checked)}
              classNames={{ body: classes.tick }}
            />
          </li>
        ))}
      </ul>
      {wrong ? (
        <div className={classes.wrong} role="status">
          <p>
            <b>Goes back:</b> {wrong.note} <span className="faint">({shortMoment(wrong.at)})</span>
          </p>
          <Button
            size="sm"
            variant="default"
            onClick={() => edit(`Came right: ${part.code}`, (draft) => clearWrong(draft, part))}
          >
            Another came, and is right
          </Button>
        </div>
      ) : saying ? (
        <div className={classes.form}>
          <TextInput
            label={`What is not right with ${part.code}`}
            placeholder="plug has six pins, the old one five"
            maxLength={160}
            value={note}
            onChange={(event) => setNote(event.currentTarget.value)}
            onKeyDown={(event) => event.key === 'Enter' && flag()}
            data-autofocus
          />
          <Button disabled={note.trim() === ''} onClick={flag}>
            Mark it to go back
          </Button>
          <Button
            variant="default"
            onClick={() => {
              setSaying(false);
              forget();
            }}
          >
            It is right
          </Button>
        </div>
      ) : (
        <Button size="sm" variant="subtle" onClick={() => setSaying(true)}>
          Not right{waiting > 0 ? ` (${waiting} ${waiting === 1 ? 'step' : 'steps'} would wait)` : ''}
        </Button>
      )}
    </Card>
  );
}
