import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { findBulbs } from '../../../core/catalogue/bulbs.ts';
import { nearWords } from '../../../core/catalogue/nearBulbs.ts';
import type { Bulb } from '../../../core/model/bulb.ts';
import { bulbChoices, mayTake, notForThem } from '../../../core/quick/bulbChoices.ts';
import type { QuickLamps, QuickQuestion } from '../../../core/quick/question.ts';
import { possibleVolts } from '../../../core/quick/quickJob.ts';
import { bulbWatts } from '../../../core/words/bulbs.ts';
import { BaseFace } from '../../ui/bulbs/BaseFace.tsx';
import classes from './Quick.module.css';

const MOST_FOUND = 6;

/** The second tap: the bulb by its glass and contacts, or by its number. */
export function BulbTiles({
  question,
  onTake,
}: {
  question: QuickQuestion;
  onTake(bulb: string | null, read: boolean): void;
}) {
  const [typed, setTyped] = useState('');
  const volts = question.systemVolts === null ? possibleVolts(question) : [question.systemVolts];
  const found =
    typed.trim() === ''
      ? null
      : findBulbs(typed)
          .filter((bulb) => volts.includes(bulb.systemVolts) && mayTake(question.lamps, bulb))
          .slice(0, MOST_FOUND);
  return (
    <>
      <div className={classes.tiles} role="group" aria-label="Which bulb">
        {(found ?? bulbChoices(question.lamps)).map((bulb) => (
          <button
            key={bulb.id}
            type="button"
            className={classes.tile}
            onClick={() => onTake(bulb.id, found !== null)}
          >
            <BaseFace base={bulb.base} scale={1.6} />
            <span>
              {bulb.names[0]}
              <small>{inWords(bulb)}</small>
            </span>
          </button>
        ))}
        {found?.length === 0 && <p>{noneWords(typed, question.lamps)}</p>}
        <button type="button" className={classes.tile} onClick={() => onTake(null, false)}>
          I don’t know
        </button>
      </div>
      <TextInput
        label="Or its number"
        description="as printed on the metal or the wedge"
        placeholder="1156, 582, W5W"
        maxLength={24}
        value={typed}
        onChange={(event) => setTyped(event.currentTarget.value)}
      />
    </>
  );
}

function inWords(bulb: Bulb): string {
  const others = bulb.names.slice(1, 3).join(', ');
  const size = `${bulbWatts(bulb)}, ${bulb.filaments.length > 1 ? 'two filaments' : bulb.base}`;
  return others ? `${others} · ${size}` : size;
}

/** Why no tile is shown for what was typed, and what to do. */
function noneWords(typed: string, lamps: QuickLamps): string {
  const [known] = findBulbs(typed);
  if (known && !mayTake(lamps, known)) return notForThem(lamps, known);
  return `No bulb is called that. ${nearWords(typed)} Take the picture that looks like it.`;
}
