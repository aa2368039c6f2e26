import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { idOf } from '../../../../core/formats/kitCells.ts';
import type { KitQuestion, KitSheet } from '../../../../core/model/kit.ts';
import { questionWords } from '../../../../core/words/kits.ts';
import { Card } from '../../../ui/Card.tsx';
import { DecimalInput } from '../../../ui/DecimalInput.tsx';
import { ConditionFields } from './ConditionFields.tsx';
import type { ChangeSheet } from './changeSheet.ts';
import classes from './Kit.module.css';

const ABOUT: Record<KitQuestion['about'], string> = {
  year: 'year of the vehicle',
  lamp: 'lamps from the works: bulbs or LED',
  module: 'whether a module is in the lamp',
  market: 'market: UN or North America',
  trim: 'trim',
  own: 'a question of your own',
};
/** Answers a question begins with, called so that a vehicle's record can answer them. */
const ANSWERS: Record<Exclude<KitQuestion['about'], 'year'>, { text: string; answers: string[] }> = {
  lamp: { text: 'Lamps from the works', answers: ['filament', 'LED'] },
  module: { text: 'Module in the lamp', answers: ['with', 'without'] },
  market: { text: 'Market', answers: ['UN', 'US'] },
  trim: { text: 'Trim', answers: ['basic', 'high'] },
  own: { text: 'Question', answers: ['yes', 'no'] },
};

/** What vehicles are told apart by, each with finitely many answers, and what does not exist. */
export function QuestionsCard({ sheet, change }: { sheet: KitSheet; change: ChangeSheet }) {
  const add = (about: KitQuestion['about']) =>
    change((draft) => {
      const taken = new Set(draft.questions.map(({ id }) => id));
      if (about === 'year') {
        draft.questions.push({ id: idOf('year', taken), about, from: 2005, to: 2026 });
        return;
      }
      const ids = new Set<string>();
      const { text, answers } = ANSWERS[about];
      draft.questions.push({
        id: idOf(about, taken),
        about,
        text,
        answers: answers.map((each) => ({ id: idOf(each, ids), text: each })),
      });
    });
  return (
    <Card title="What vehicles are told apart by">
      {sheet.questions.map((question) => (
        <QuestionRow key={question.id} question={question} change={change} />
      ))}
      <div className={classes.acts}>
        <NativeSelect
          aria-label="Add a question about"
          value=""
          data={[
            { value: '', label: 'Add a question about' },
            ...Object.entries(ABOUT)
              .filter(([about]) => about !== 'year' || !sheet.questions.some((each) => each.about === 'year'))
              .map(([value, label]) => ({ value, label })),
          ]}
          onChange={(event) => {
            const { value } = event.currentTarget;
            if (value in ABOUT) add(value as KitQuestion['about']);
          }}
        />
      </div>
      <h4 className={classes.sub}>There is no such vehicle</h4>
      {sheet.impossible.map((when, at) => (
        <div key={at} className={classes.row}>
          <ConditionFields
            sheet={sheet}
            when={when}
            label={`No such vehicle ${at + 1}`}
            set={(next) =>
              change((draft) => {
                draft.impossible[at] = next;
              })
            }
          />
          <Button
            variant="subtle"
            aria-label={`Remove exclusion ${at + 1}`}
            onClick={() => change((draft) => void draft.impossible.splice(at, 1))}
          >
            Remove
          </Button>
        </div>
      ))}
      <Button
        variant="default"
        disabled={sheet.questions.length === 0}
        onClick={() =>
          change((draft) => {
            const [first] = draft.questions;
            if (!first) return;
            draft.impossible.push({
              [first.id]:
                first.about === 'year' ? { from: first.from, to: first.from } : [first.answers[0]?.id ?? ''],
            });
          })
        }
      >
        Exclude a vehicle
      </Button>
    </Card>
  );
}

function QuestionRow({ question, change }: { question: KitQuestion; change: ChangeSheet }) {
  const edit = (act: (question: KitQuestion) => void) =>
    change((draft) => {
      const found = draft.questions.find(({ id }) => id === question.id);
      if (found) act(found);
    });
  return (
    <div className={classes.row}>
      {question.about === 'year' ? (
        (['from', 'to'] as const).map((end) => (
          <DecimalInput
            key={end}
            label={`Years ${end}`}
            value={question[end]}
            allowDecimal={false}
            thousandSeparator=""
            clampBehavior="none"
            min={1920}
            max={2100}
            error={question.from > question.to && end === 'to' ? 'The later year comes second.' : undefined}
            onChange={(next) => {
              const year = Number(next);
              if (Number.isInteger(year) && year >= 1920 && year <= 2100)
                edit((each) => void (each.about === 'year' && (each[end] = year)));
            }}
          />
        ))
      ) : (
        <>
          <TextInput
            label={ABOUT[question.about]}
            value={question.text}
            error={question.text.trim() === '' ? 'Write what is asked.' : undefined}
            maxLength={160}
            onChange={(event) => {
              const text = event.currentTarget.value;
              edit((each) => void (each.about !== 'year' && (each.text = text)));
            }}
          />
          <Answers question={question} edit={edit} />
        </>
      )}
      <Button
        variant="subtle"
        aria-label={`Remove question ${questionWords(question)}`}
        onClick={() =>
          change((draft) => {
            draft.questions = draft.questions.filter(({ id }) => id !== question.id);
            for (const when of [...draft.impossible, ...draft.variants.map((each) => each.when)])
              delete when[question.id];
            draft.impossible = draft.impossible.filter((when) => Object.keys(when).length > 0);
          })
        }
      >
        Remove
      </Button>
    </div>
  );
}

/** Answers as one line, a semicolon between; the ones that stay keep what was said of them. */
function Answers({
  question,
  edit,
}: {
  question: Exclude<KitQuestion, { about: 'year' }>;
  edit(act: (question: KitQuestion) => void): void;
}) {
  const stored = question.answers.map(({ text }) => text).join('; ');
  const [text, setText] = useState(stored);
  const texts = text
    .split(';')
    .map((each) => each.trim())
    .filter(Boolean);
  const wrong =
    texts.length < 2
      ? 'Write at least two answers, a semicolon between.'
      : texts.length > 12
        ? 'Write at most twelve answers.'
        : new Set(texts.map((each) => each.toLowerCase())).size < texts.length
          ? 'Two answers are the same.'
          : undefined;
  return (
    <TextInput
      label={`Answers to ${question.text}`}
      value={text}
      error={wrong}
      onChange={(event) => {
        const next = event.currentTarget.value;
        setText(next);
        const named = next
          .split(';')
          .map((each) => each.trim())
          .filter(Boolean);
        const unlike = new Set(named.map((each) => each.toLowerCase())).size === named.length;
        if (named.length < 2 || named.length > 12 || !unlike) return;
        edit((each) => {
          if (each.about === 'year') return;
          const before = each.answers;
          const taken = new Set(before.map(({ id }) => id));
          each.answers = named.map((words, at) => {
            // A word that is corrected is the same answer; as many stay in their places.
            const kept =
              before.find((answer) => answer.text === words) ??
              (named.length === before.length && !named.includes(before[at]?.text ?? '')
                ? before[at]
                : undefined);
            return kept ? { id: kept.id, text: words } : { id: idOf(words, taken), text: words };
          });
        });
      }}
      onBlur={() => wrong && setText(stored)}
    />
  );
}
