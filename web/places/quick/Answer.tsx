import { Button, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { capital } from '../../../core/formatting/format.ts';
import type { Shelf } from '../../../core/model/part.ts';
import type { QuickAnswer } from '../../../core/quick/answer.ts';
import { isSingle, type QuickQuestion } from '../../../core/quick/question.ts';
import { wordsOfLook } from '../../../core/words/looks.ts';
import { type QuickWords, wordsOfAnswer } from '../../../core/words/quick.ts';
import { keepQuickJob } from '../../store/quickJobs.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Gradually } from '../../ui/Gradually.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { useQuickAnswer, useQuickCure, useQuickLook } from '../../workers/useQuick.ts';
import { Cures } from './Cures.tsx';
import { MoreFacts } from './MoreFacts.tsx';
import classes from './Quick.module.css';
import { QuickTrialBar, trialWords } from './QuickTrialBar.tsx';

interface AnswerProps {
  question: QuickQuestion;
  at: string;
  shelf: Shelf;
  turning: boolean;
  onChange(change: Partial<QuickQuestion>): void;
}

/** The answer, what it rests on, what decides, what can be done, and what was seen since. */
export function Answer({ question, at, shelf, turning, onChange }: AnswerProps) {
  const answer = useQuickAnswer(question, shelf, at);
  const look = useQuickLook(question, answer.data);
  const cure = useQuickCure(answer.data);
  if (answer.error) return <p role="alert">It could not be judged: {answer.error.message}</p>;
  if (!answer.data) return <p className={classes.ask}>Judging every way it may be.</p>;
  const words = wordsOfAnswer(answer.data);
  const decides = look.data && wordsOfLook(look.data.id, answer.data.asked.job.vehicle.region);
  const forget = (index: number) => {
    const { trials } = question;
    onChange({ trials: trials.filter((_, each) => each !== index) });
    offerUndo('Taken out', async () => onChange({ trials }));
  };
  return (
    <>
      <section className={classes.answer} aria-label="The answer" aria-busy={answer.isFetching}>
        <Verdict state={answer.data.state} words={words} />
        {words.contradiction && (
          <p className={classes.contradiction} role="status">
            {words.contradiction}
          </p>
        )}
        {words.mind && <Caution>{words.mind}</Caution>}
        {question.trials.length > 0 && (
          <ul className={classes.seen} aria-label="What was seen">
            {question.trials.map((trial, index) => (
              <li key={index}>
                {trialWords(trial)}
                <button
                  type="button"
                  aria-label={`Take out: ${trialWords(trial)}`}
                  onClick={() => forget(index)}
                >
                  ×
                </button>
              </li>
            ))}
          </ul>
        )}
        <Advice question={question} />
        {look.data && decides && (
          <div className={classes.next}>
            <p className={classes.kind}>What decides, about {minutes(look.data.minutes)}</p>
            <h2>{decides.act}</h2>
            <p>{decides.means}</p>
            {look.data.id === 'listen' && (
              <div className={classes.heard}>
                <Button variant="default" onClick={() => onChange({ heard: 'click' })}>
                  It clicks
                </Button>
                <Button variant="default" onClick={() => onChange({ heard: 'silence' })}>
                  Silence
                </Button>
              </div>
            )}
          </div>
        )}
        {question.heard && (
          <Button size="sm" variant="subtle" onClick={() => onChange({ heard: null })}>
            {question.heard === 'click' ? 'A click was heard' : 'Nothing was heard'}: take it back
          </Button>
        )}
        {/* What stands further down is drawn in slices: a phone stays answerable. */}
        <Gradually begin={0}>
          <Cures answer={answer.data} cure={cure} />
          {!isSingle(question.lamps) && (
            <SegmentedControl
              aria-label="Which sides are converted"
              value={question.sides}
              data={[
                { value: 'both', label: 'Both sides' },
                { value: 'left', label: 'Left only' },
                { value: 'right', label: 'Right only' },
              ]}
              onChange={(value) =>
                onChange({ sides: value === 'left' || value === 'right' ? value : 'both' })
              }
            />
          )}
          <MoreFacts question={question} onChange={onChange} />
          <Keep answer={answer.data} />
        </Gradually>
      </section>
      {answer.data.state !== null && (
        <QuickTrialBar
          turning={turning}
          single={isSingle(question.lamps)}
          onSee={(trial) => onChange({ trials: [...question.trials, trial] })}
        />
      )}
    </>
  );
}

const minutes = (count: number) => (count === 1 ? '1 minute' : `${count} minutes`);

function Verdict({ state, words }: { state: QuickAnswer['state']; words: QuickWords }) {
  const { headline, why, rests } = words;
  return (
    <>
      <h2 className={classes.headline} data-state={state ?? 'too-much'}>
        <Mark state={state ?? 'too-much'} size={26} label />
        <span>{headline}</span>
      </h2>
      {rests.length > 0 && (
        <ul className={classes.split} aria-label="By what flashes them">
          {rests.map((row) => (
            <li key={row.flasher}>
              <Mark state={row.state} label />
              <b>{capital(row.on)}</b>
              <span>{row.text}</span>
            </li>
          ))}
        </ul>
      )}
      <p className={classes.why}>{why} Computed.</p>
    </>
  );
}

/** What a dark or glowing lamp asks for before anything else. */
function Advice({ question }: { question: QuickQuestion }) {
  const last = question.trials.at(-1)?.result;
  if (last === 'dark')
    return (
      <p className={classes.next}>
        Dark: turn it round in its socket first, many light one way only. In a twin wedge socket look at the
        earth contacts: on one side of the base it is CK, and another LED is wanted.
      </p>
    );
  if (last === 'glows')
    return (
      <p className={classes.next}>
        A glow while it is off: something leaks into the feed or tests it. A stock bulb on that side that
        makes the glow go settles it.
      </p>
    );
  return null;
}

function Keep({ answer }: { answer: QuickAnswer }) {
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  if (answer.state === null) return null;
  const keep = () => {
    if (busy) return;
    setBusy(true);
    keepQuickJob(answer.asked)
      .then((id) => navigate(`/jobs/${id}/cure`))
      .catch((error: Error) => {
        setBusy(false);
        tellTrouble(error);
      });
  };
  return (
    <Button onClick={keep} loading={busy} fullWidth>
      Keep as job
    </Button>
  );
}
