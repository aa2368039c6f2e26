import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useDeferredValue, useEffect, useRef } from 'react';
import type { Shelf } from '../../../core/model/part.ts';
import { isAboutTurns } from '../../../core/quick/question.ts';
import { saidWords } from '../../../core/quick/saidWords.ts';
import { keptValues } from '../../store/kept.ts';
import { readShelf } from '../../store/stock.ts';
import { StorageTrouble } from '../../ui/StorageTrouble.tsx';
import { Answer } from './Answer.tsx';
import { BulbTiles } from './BulbTiles.tsx';
import { LampTiles } from './LampTiles.tsx';
import { LedTiles } from './LedTiles.tsx';
import classes from './Quick.module.css';
import { useQuestion } from './useQuestion.ts';

type Loaded = { shelf: Shelf } | { trouble: Error };

/** Will this LED flash fast in that? Three taps, and an answer that is true of all that nobody said. */
export function Component() {
  const loaded = useLiveQuery(async (): Promise<Loaded> => {
    try {
      const [shelf] = await Promise.all([readShelf(), keptValues.loaded()]);
      return { shelf };
    } catch (error) {
      return { trouble: error as Error };
    }
  });
  const { asked: stored, begin, change, forget } = useQuestion();
  // Drawn in slices: a phone stays answerable while the next step is built.
  const asked = useDeferredValue(stored);
  const top = useRef<HTMLHeadingElement>(null);
  const step = !asked ? 'lamps' : !asked.told.bulb ? 'bulb' : !asked.told.led ? 'led' : 'answer';
  // biome-ignore lint/correctness/useExhaustiveDependencies: each step begins at its top
  useEffect(() => {
    const frame = requestAnimationFrame(() => top.current?.scrollIntoView({ block: 'start' }));
    return () => cancelAnimationFrame(frame);
  }, [step]);
  if (!loaded) return null;
  if ('trouble' in loaded) return <StorageTrouble error={loaded.trouble} />;
  const { shelf } = loaded;
  const said = asked && saidWords(asked.question, shelf);
  return (
    <div className={classes.place}>
      <div className={classes.head}>
        <h1 ref={top}>Quick check</h1>
        {asked && (
          <Button size="sm" variant="subtle" onClick={forget}>
            Ask anew
          </Button>
        )}
      </div>
      {asked && said && (
        <div className={classes.said} role="group" aria-label="What was said">
          <button type="button" onClick={forget} title="Other lamps">
            {said.lamps}
          </button>
          {asked.told.bulb && (
            <button
              type="button"
              onClick={() => change({}, { bulb: false, led: false })}
              title="Another bulb"
            >
              {said.bulb}
            </button>
          )}
          {asked.told.led && (
            <button type="button" onClick={() => change({}, { led: false })} title="Another LED">
              {said.led}
            </button>
          )}
        </div>
      )}
      {step === 'lamps' && (
        <>
          <p className={classes.ask}>
            Which lamps get an LED? Both sides, until you say otherwise; left is left from the driver’s seat.
          </p>
          <LampTiles onTake={begin} />
        </>
      )}
      {step === 'bulb' && asked && (
        <>
          <p className={classes.ask}>Which bulb is in there now?</p>
          <BulbTiles
            question={asked.question}
            onTake={(bulb, read) => change({ bulb, bulbRead: read, trials: [] }, { bulb: true })}
          />
        </>
      )}
      {step === 'led' && asked && (
        <>
          <p className={classes.ask}>And the LED in your hand?</p>
          <LedTiles
            bulb={asked.question.bulb}
            shelf={shelf}
            onTake={(led) => change({ led, trials: [] }, { led: true })}
          />
        </>
      )}
      {step === 'answer' && asked && (
        <Answer
          question={asked.question}
          at={asked.at}
          shelf={shelf}
          turning={isAboutTurns(asked.question.lamps)}
          onChange={change}
        />
      )}
    </div>
  );
}
