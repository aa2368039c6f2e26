import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Job } from '../../../core/model/job.ts';
import type { Shelf } from '../../../core/model/part.ts';
import type { DrillKind, DrillQuestion } from '../../../core/practice/drill.ts';
import {
  askedWords,
  DRILL_ABOUT,
  DRILL_NAMES,
  optionWords,
  readingWords,
  whyWords,
} from '../../../core/practice/drillWords.ts';
import { Card } from '../../ui/Card.tsx';
import { Scrolls } from '../../ui/Scrolls.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { practice } from '../../workers/practice.ts';
import classes from './Practice.module.css';
import { useResults } from './results.ts';

/** Questions of one sitting. */
const QUESTIONS = 8;

/** One drill: questions whose answers the engine worked out, one after the other. */
export function Drill({ kind, jobs, shelf }: { kind: DrillKind; jobs: readonly Job[]; shelf: Shelf }) {
  const [asked, setAsked] = useSearchParams();
  const seed = Number(asked.get('seed')) || 1;
  const [at, setAt] = useState(0);
  const [right, setRight] = useState(0);
  const [answer, setAnswer] = useState<number | null>(null);
  const { add } = useResults();
  const { data: question, error } = useQuery<DrillQuestion | null>({
    queryKey: ['drill', kind, seed, at, jobs.length],
    queryFn: () => practice().drill(kind, jobs, shelf, seed * 1000 + at),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const take = (index: number) => {
    if (!question || answer !== null || index >= question.options.length) return;
    setAnswer(index);
    const now = right + (index === question.right ? 1 : 0);
    setRight(now);
    if (at + 1 === QUESTIONS)
      add({ kind: 'drill', at: new Date().toISOString(), drill: kind, right: now, asked: QUESTIONS });
  };
  const next = () => {
    setAnswer(null);
    setAt(at + 1);
  };
  const again = () => {
    setAnswer(null);
    setAt(0);
    setRight(0);
    setAsked({ seed: String(seed + 1) }, { replace: true });
  };
  useKeys([
    ['1', () => take(0)],
    ['2', () => take(1)],
    ['3', () => take(2)],
    ['4', () => take(3)],
    ['5', () => take(4)],
    ['6', () => take(5)],
  ]);
  return (
    <div className={classes.place}>
      <p>
        <Link to="/practice">Practice</Link>
      </p>
      <h1>{DRILL_NAMES[kind]}</h1>
      <p className="faint">{DRILL_ABOUT[kind]}</p>
      {at >= QUESTIONS ? (
        <Card title="Done" heading="h2">
          <p role="status">
            <b>
              {right} of {QUESTIONS}
            </b>{' '}
            right.
          </p>
          <Button size="lg" onClick={again}>
            Another eight
          </Button>
        </Card>
      ) : (
        <Card
          title={`Question ${at + 1} of ${QUESTIONS}`}
          heading="h2"
          aside={<span className="faint">{right} right so far</span>}
        >
          {error && <p role="alert">This question could not be worked out: {error.message}</p>}
          {question === undefined && !error && <p className="faint">Working the question out.</p>}
          {question === null && (
            <p>None of the vehicles here has what this drill is about. Enter one, or import a job.</p>
          )}
          {question && (
            <>
              <p className={classes.asked}>{askedWords(question)}</p>
              {question.kind === 'wires' && <Readings question={question} />}
              {question.kind === 'socket' && <Socket earths={question.earths} />}
              <div className={classes.options} role="group" aria-label="Answers">
                {question.options.map((option, index) => (
                  <button
                    key={String(option)}
                    type="button"
                    className={classes.option}
                    disabled={answer !== null}
                    data-is={
                      answer === null
                        ? undefined
                        : index === question.right
                          ? 'right'
                          : index === answer
                            ? 'wrong'
                            : undefined
                    }
                    onClick={() => take(index)}
                  >
                    <kbd aria-hidden="true">{index + 1}</kbd> {optionWords(question, index)}
                  </button>
                ))}
              </div>
              {answer !== null && (
                <div role="status">
                  <p>
                    <b>
                      {answer === question.right ? 'Right.' : `No: ${optionWords(question, question.right)}.`}
                    </b>{' '}
                    {whyWords(question)}
                  </p>
                  <Button size="lg" data-autofocus onClick={next}>
                    {at + 1 === QUESTIONS ? 'How it went' : 'Next question'}
                  </Button>
                </div>
              )}
            </>
          )}
        </Card>
      )}
    </div>
  );
}

function Readings({ question }: { question: Extract<DrillQuestion, { kind: 'wires' }> }) {
  return (
    <Scrolls label="What the meter shows">
      <table className={classes.table}>
        <thead>
          <tr>
            <th>Cavity</th>
            {question.switched.map((name) => (
              <th key={name}>{name} on</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {question.readings.map((row, cavity) => (
            <tr key={question.options[cavity]}>
              <th>{question.options[cavity]}</th>
              {row.map((reading, index) => (
                <td key={question.switched[index]}>{readingWords(reading)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}

/** The four contacts of a twin wedge socket, those that are earth marked. */
function Socket({ earths }: { earths: readonly [number, number] }) {
  return (
    <div className={classes.socket} aria-hidden="true">
      {[0, 1, 2, 3].map((corner) => (
        <span key={corner} data-earth={earths.includes(corner)}>
          {earths.includes(corner) ? 'earth' : ''}
        </span>
      ))}
    </div>
  );
}
