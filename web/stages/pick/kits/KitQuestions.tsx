import { Button, NativeSelect } from '@mantine/core';
import type { Asked } from '../../../../core/kits/askSheet.ts';
import { answersOf, answerText } from '../../../../core/kits/space.ts';
import type { KitAnswers } from '../../../../core/kits/vehicleAnswers.ts';
import type { JobKit } from '../../../../core/model/job.ts';
import type { KitQuestion } from '../../../../core/model/kit.ts';
import type { KitPart } from '../../../../core/model/part.ts';
import { questionWords } from '../../../../core/words/kits.ts';
import { useDesk } from '../../../job/workspace.ts';
import classes from './Kits.module.css';

/** What is known, with where it comes from, and the one question that tells most. */
export function KitQuestions({
  part,
  use,
  known,
  asked,
}: {
  part: KitPart;
  use: JobKit;
  known: KitAnswers;
  asked: Asked;
}) {
  const { edit } = useDesk();
  const change = (label: string, act: (kit: JobKit) => void) =>
    edit(label, (draft) => {
      const mine = draft.kits?.find(({ partId }) => partId === use.partId);
      if (mine) act(mine);
    });
  const answer = (question: KitQuestion, value: string) =>
    change(`${questionWords(question)} ${answerText(question, value)}`, (kit) => {
      if (value === '') delete kit.answers[question.id];
      else kit.answers[question.id] = value;
      kit.skipped = (kit.skipped ?? []).filter((id) => id !== question.id);
    });
  const skip = (question: KitQuestion) =>
    change(`Nobody knows: ${questionWords(question)}`, (kit) => {
      kit.skipped = [...(kit.skipped ?? []), question.id].slice(0, 24);
    });
  const said = part.sheet.questions.filter(({ id }) => known.answers[id] !== undefined);
  const skipped = part.sheet.questions.filter(({ id }) => use.skipped?.includes(id));
  const [next] = asked.open;
  return (
    <div className={classes.questions}>
      {[...said, ...skipped].map((question) => (
        <NativeSelect
          key={question.id}
          label={questionWords(question)}
          description={
            known.by[question.id] === 'vehicle'
              ? 'from the vehicle’s record'
              : known.by[question.id] === 'installer'
                ? 'as you said'
                : 'nobody knows'
          }
          value={known.answers[question.id] ?? ''}
          data={[
            { value: '', label: 'not known' },
            ...answersOf(question).map((value) => ({ value, label: answerText(question, value) })),
          ]}
          onChange={(event) => answer(question, event.currentTarget.value)}
        />
      ))}
      {next && (
        <fieldset className={classes.asks}>
          <legend>{questionWords(next)}</legend>
          {answersOf(next).length <= 4 ? (
            answersOf(next).map((value) => (
              <Button key={value} variant="default" onClick={() => answer(next, value)}>
                {answerText(next, value)}
              </Button>
            ))
          ) : (
            <NativeSelect
              aria-label={questionWords(next)}
              value=""
              data={[
                { value: '', label: 'choose' },
                ...answersOf(next).map((value) => ({ value, label: answerText(next, value) })),
              ]}
              onChange={(event) => answer(next, event.currentTarget.value)}
            />
          )}
          <Button variant="subtle" onClick={() => skip(next)}>
            Nobody here knows
          </Button>
        </fieldset>
      )}
    </div>
  );
}
