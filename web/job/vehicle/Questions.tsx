import { NativeSelect } from '@mantine/core';
import { answerQuestion, bearsOn, type QuestionId, questionsFor } from '../../../core/lookover/questions.ts';
import { jobLamps, scopeCircuits } from '../../../core/model/scope.ts';
import { wordsOfQuestion } from '../../../core/words/questions.ts';
import { Card } from '../../ui/Card.tsx';
import { SavedNumber } from '../../ui/SavedNumber.tsx';
import { SavedText } from '../../ui/SavedText.tsx';
import { useDesk } from '../workspace.ts';
import classes from './VehicleEditor.module.css';

/** The questions that matter for this vehicle, each with what hangs on it; "don't know yet" is an answer. */
export function Questions() {
  const { job, edit } = useDesk();
  const about = new Set(scopeCircuits(job).map((circuit) => circuit.kind));
  const matters = (id: QuestionId) => bearsOn(id, about);
  const questions = questionsFor(
    job.vehicle,
    jobLamps(job).some(({ end }) => end === 'rear'),
  ).filter((each) => matters(each.id));
  const open = questions.filter((question) => question.answer === '').length;
  const inTheWay = job.vehicle.facts?.inTheWay;
  const setInTheWay = (change: { what?: string; minutes?: number }) =>
    edit(
      'Equipment in the way',
      (draft) => {
        draft.vehicle.facts ??= {};
        const now = draft.vehicle.facts.inTheWay ?? { what: '', minutes: 30 };
        const next = { ...now, ...change };
        if (next.what === '') delete draft.vehicle.facts.inTheWay;
        else draft.vehicle.facts.inTheWay = next;
      },
      { mergeKey: 'in-the-way' },
    );
  return (
    <Card
      title={
        open === 0 ? 'Questions that matter here: all answered' : `Questions that matter here: ${open} open`
      }
    >
      {questions.map((question) => {
        const { ask, why, meanwhile, options } = wordsOfQuestion(question, job.vehicle);
        return (
          <div key={question.id} className={classes.question}>
            <NativeSelect
              label={ask}
              description={why}
              value={question.answer}
              data={[{ value: '', label: 'Don’t know yet' }, ...options]}
              onChange={(event) => {
                const answer = event.currentTarget.value;
                edit(ask, (draft) => answerQuestion(draft, question.id, answer));
              }}
            />
            {question.answer === '' && <p className={classes.why}>{meanwhile}</p>}
          </div>
        );
      })}
      <div className={classes.question}>
        <SavedText
          label="Equipment in the way"
          description="A boot loudspeaker, racking, a partition: what must come out first."
          placeholder="nothing"
          value={inTheWay?.what ?? ''}
          maxLength={160}
          onSave={(what) => setInTheWay({ what })}
        />
        {inTheWay && (
          <SavedNumber
            label="It adds"
            unit="minutes"
            value={inTheWay.minutes}
            min={0}
            max={600}
            onSave={(minutes) => setInTheWay({ minutes })}
          />
        )}
      </div>
    </Card>
  );
}
