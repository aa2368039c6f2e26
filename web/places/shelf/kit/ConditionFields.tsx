import { Checkbox } from '@mantine/core';
import type { KitCondition, KitQuestion, KitSheet } from '../../../../core/model/kit.ts';
import { questionWords } from '../../../../core/words/kits.ts';
import { DecimalInput } from '../../../ui/DecimalInput.tsx';
import classes from './Kit.module.css';

/** A condition question by question: answers that will do, or years; none ticked is any. */
export function ConditionFields({
  sheet,
  when,
  label,
  set,
}: {
  sheet: Pick<KitSheet, 'questions'>;
  when: KitCondition;
  /** goes before each field for whoever cannot see them side by side */
  label: string;
  set(next: KitCondition): void;
}) {
  const put = (id: string, said: KitCondition[string] | undefined) => {
    const next = { ...when };
    if (said === undefined) delete next[id];
    else next[id] = said;
    set(next);
  };
  return (
    <div className={classes.conditions}>
      {sheet.questions.map((question) =>
        question.about === 'year' ? (
          <YearFields key={question.id} question={question} when={when} label={label} put={put} />
        ) : (
          <fieldset key={question.id} className={classes.answers}>
            <legend>{questionWords(question)}</legend>
            {question.answers.map(({ id, text }) => {
              const said = when[question.id];
              const ticked = Array.isArray(said) ? said : [];
              return (
                <Checkbox
                  key={id}
                  label={text}
                  aria-label={`${label}, ${question.text}: ${text}`}
                  checked={ticked.includes(id)}
                  onChange={(event) => {
                    const next = event.currentTarget.checked
                      ? [...ticked, id]
                      : ticked.filter((each) => each !== id);
                    put(question.id, next.length > 0 ? next : undefined);
                  }}
                />
              );
            })}
          </fieldset>
        ),
      )}
    </div>
  );
}

function YearFields({
  question,
  when,
  label,
  put,
}: {
  question: Extract<KitQuestion, { about: 'year' }>;
  when: KitCondition;
  label: string;
  put(id: string, said: KitCondition[string] | undefined): void;
}) {
  const said = when[question.id];
  const span = said && !Array.isArray(said) ? said : null;
  const type = (end: 'from' | 'to') => (next: string | number) => {
    if (next === '') {
      put(question.id, undefined);
      return;
    }
    const year = Number(next);
    if (!Number.isInteger(year) || year < 1920 || year > 2100) return;
    const from = span?.from ?? question.from;
    const to = span?.to ?? question.to;
    put(question.id, end === 'from' ? { from: year, to } : { from, to: year });
  };
  const outside = span && (span.to < question.from || span.from > question.to);
  return (
    <fieldset className={classes.answers}>
      <legend>Years, any where empty</legend>
      <DecimalInput
        aria-label={`${label}, years from`}
        placeholder={String(question.from)}
        value={span?.from ?? ''}
        allowDecimal={false}
        thousandSeparator=""
        clampBehavior="none"
        error={outside ? `The sheet goes from ${question.from} to ${question.to}.` : undefined}
        onChange={type('from')}
      />
      <DecimalInput
        aria-label={`${label}, years to`}
        placeholder={String(question.to)}
        value={span?.to ?? ''}
        allowDecimal={false}
        thousandSeparator=""
        clampBehavior="none"
        error={span && span.from > span.to ? 'The later year comes second.' : undefined}
        onChange={type('to')}
      />
    </fieldset>
  );
}
