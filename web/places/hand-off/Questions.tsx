import { Button } from '@mantine/core';
import { useId } from 'react';
import { askedInWords, partAskedInWords } from '../../../core/handoff/questionWords.ts';
import type { Revision } from '../../../core/merge/history.ts';
import type { Question, SideName } from '../../../core/merge/mergeDocuments.ts';
import type { Shelf } from '../../../core/model/part.ts';
import type { PackPreview } from '../../store/handOff/preview.ts';
import type { AllAnswers } from '../../store/handOff/together.ts';
import { Card } from '../../ui/Card.tsx';
import { shortMoment } from '../../ui/dates.ts';
import classes from './HandOff.module.css';

/** One question, of the job or part it is about. */
export interface Asked {
  /** `job ID` or `part ID` */
  document: string;
  path: string;
  title: string;
  what: string;
  mine: string;
  theirs: string;
  wroteMine: Revision | null;
  wroteTheirs: Revision | null;
}

/** Everything a pack asks, answered or not, in words. */
export function askedOf({ jobs, parts }: PackPreview, shelf: Shelf): Asked[] {
  const of = (
    document: string,
    title: string,
    question: Question,
    words: Pick<Asked, 'what' | 'mine' | 'theirs'>,
  ) => {
    const { path, wroteMine, wroteTheirs } = question;
    return { document, path, title, wroteMine, wroteTheirs, ...words };
  };
  return [
    ...jobs.flatMap(({ id, title, vehicle, mine, theirs, questions }) =>
      questions.map((question) =>
        of(`job ${id}`, title || vehicle, question, askedInWords(question, mine ?? theirs, shelf)),
      ),
    ),
    ...parts.asked.flatMap(({ part, questions }) =>
      questions.map((question) =>
        of(`part ${part.id}`, 'Shelf', question, partAskedInWords(question, part, shelf)),
      ),
    ),
  ];
}

/** What both copies changed, side by side. Nothing is chosen until somebody does. */
export function Questions({
  asked,
  answers,
  answer,
  preview,
}: {
  asked: readonly Asked[];
  answers: AllAnswers;
  answer(next: AllAnswers): void;
  preview: PackPreview;
}) {
  const put = (some: readonly Asked[], side: SideName) => {
    const next: Record<string, Record<string, SideName>> = structuredClone(answers) as never;
    for (const { document, path } of some) next[document] = { ...next[document], [path]: side };
    answer(next);
  };
  const clashes = preview.jobs.flatMap(({ clash }) => clash);
  return (
    <Card title="Changed on both: which stands?" heading="h2">
      {clashes.length > 0 && (
        <p>
          Taken together the two plans would not be sound: {clashes.join(' ')} One of them stands as a whole.
        </p>
      )}
      {asked.map((each) => (
        <OneQuestion
          key={`${each.document} ${each.path}`}
          asked={each}
          chosen={answers[each.document]?.[each.path]}
          choose={(side) => put([each], side)}
        />
      ))}
      {asked.length > 2 && (
        <div className={classes.actions}>
          <Button variant="default" onClick={() => put(asked, 'mine')}>
            Keep all of this device
          </Button>
          <Button variant="default" onClick={() => put(asked, 'theirs')}>
            Take all of the file
          </Button>
        </div>
      )}
    </Card>
  );
}

function OneQuestion({
  asked,
  chosen,
  choose,
}: {
  asked: Asked;
  chosen: SideName | undefined;
  choose(side: SideName): void;
}) {
  const id = useId();
  const side = (name: SideName, place: string, value: string, wrote: Revision | null) => (
    <button
      type="button"
      role="radio"
      aria-checked={chosen === name}
      className={classes.side}
      onClick={() => choose(name)}
    >
      <small>
        {place}
        {wrote?.by ? `, ${wrote.by}` : ''}
        {wrote ? `, ${shortMoment(wrote.at)}` : ''}
      </small>
      <span>{value}</span>
    </button>
  );
  return (
    <fieldset className={classes.question} aria-labelledby={id}>
      <legend id={id}>
        {asked.title}: {asked.what}
      </legend>
      <div className={classes.sides} role="radiogroup" aria-labelledby={id}>
        {side('mine', 'This device', asked.mine, asked.wroteMine)}
        {side('theirs', 'The file', asked.theirs, asked.wroteTheirs)}
      </div>
    </fieldset>
  );
}
