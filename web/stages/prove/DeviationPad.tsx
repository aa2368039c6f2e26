import { useState } from 'react';
import { type DeviationKey, deviationOf, type LampWord } from '../../../core/model/deviationKey.ts';
import { feedFuseId, lampById } from '../../../core/model/vehicle/lookUp.ts';
import type { Cell } from '../../../core/proving/cells.ts';
import type { Outcome } from '../../../core/proving/outcome.ts';
import { isOn } from '../../../core/simulation/bearing.ts';
import { deviationWords, LAMP_DEVIATIONS } from '../../../core/words/deviations.ts';
import { useDesk } from '../../job/workspace.ts';
import classes from './CellCard.module.css';

interface PadProps {
  cell: Cell;
  /** lamps that should be lit */
  lit: readonly string[];
  outcome: Outcome;
  told: ReadonlySet<DeviationKey>;
  toggle(key: DeviationKey): void;
}

/** Of lamps that should be lit, of those that should not, of resistors. */
const OF_LIT: readonly LampWord[] = ['dark', 'dim', 'bright', 'flickers', 'unfinished', 'wet'];
const OF_DARK: readonly LampWord[] = ['wrong', 'glows', 'flickers'];
const OF_WARM: readonly LampWord[] = ['hot', 'cold'];

/** What was not as it should be: the word, then the lamp; a flash, a message or a fuse in one tap. */
export function DeviationPad({ cell, lit, outcome, told, toggle }: PadProps) {
  const { job, lamp } = useDesk();
  const { vehicle } = job;
  const [word, setWord] = useState<LampWord | null>(null);
  const dark = vehicle.lamps.flatMap(({ id }) => (outcome.lumens.has(id) && !lit.includes(id) ? [id] : []));
  const warm = [...outcome.watts.keys()];
  const on = vehicle.circuits.filter((circuit) => isOn(circuit, cell.controls));
  const lampWords = [
    ...(lit.length > 0 ? OF_LIT : []),
    ...OF_DARK.filter((each) => dark.length > 0 && !(lit.length > 0 && OF_LIT.includes(each))),
    ...(warm.length > 0 ? OF_WARM : []),
  ].filter((each) => each !== 'unfinished' || on.some(({ kind }) => kind === 'turn'));
  const flash = outcome.flash === null ? [] : (['flash fast', 'flash slow', 'flash none'] as const);
  const fuses = [...new Set(on.map((circuit) => feedFuseId(vehicle, circuit)))];
  const spoken: DeviationKey[] = [
    ...flash,
    ...on.map(({ id }) => `message ${id}` as const),
    ...on.flatMap(({ id, kind, excite }) =>
      excite || kind === 'stop' || kind === 'third-brake' ? [`odd ${id}` as const] : [],
    ),
    ...fuses.map((id) => `blown ${id}` as const),
  ];
  const candidates = word === null ? [] : candidatesOf(word, lit, dark, warm);
  const alone = (each: LampWord) => candidatesOf(each, lit, dark, warm);
  const pick = (each: LampWord) => {
    const [only, ...others] = alone(each);
    // One lamp alone needs no second tap.
    if (only !== undefined && others.length === 0) toggle(`${only} ${each}`);
    else setWord(word === each ? null : each);
  };
  const hand = lamp && candidates.includes(lamp.id) ? lamp.id : null;
  const sorted = hand ? [hand, ...candidates.filter((id) => id !== hand)] : candidates;
  return (
    <div className={classes.pad} role="group" aria-label="What was not so">
      <div className={classes.words}>
        {lampWords.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={word === each || [...told].some((key) => deviationOf(key)?.what === each)}
            aria-expanded={alone(each).length > 1 ? word === each : undefined}
            onClick={() => pick(each)}
          >
            {LAMP_DEVIATIONS[each]}
          </button>
        ))}
        {spoken.map((key) => (
          <button key={key} type="button" aria-pressed={told.has(key)} onClick={() => toggle(key)}>
            {deviationWords(vehicle, key)}
          </button>
        ))}
      </div>
      {word !== null && (
        <div className={classes.which} role="group" aria-label={`Which lamp: ${LAMP_DEVIATIONS[word]}`}>
          <span className="faint">
            {LAMP_DEVIATIONS[word]}: which? Or tap it on the plan, it comes first here.
          </span>
          <div className={classes.words}>
            {sorted.map((id) => (
              <button
                key={id}
                type="button"
                data-hand={id === hand}
                aria-pressed={told.has(`${id} ${word}`)}
                onClick={() => toggle(`${id} ${word}`)}
              >
                {lampById(vehicle, id).name}
              </button>
            ))}
          </div>
        </div>
      )}
      {told.size > 0 && (
        <p role="status">
          <b>Written down:</b> {[...told].map((key) => deviationWords(vehicle, key)).join(', ')}.
        </p>
      )}
    </div>
  );
}

function candidatesOf(
  word: LampWord,
  lit: readonly string[],
  dark: readonly string[],
  warm: readonly string[],
): readonly string[] {
  if (OF_WARM.includes(word)) return warm;
  if (word === 'flickers') return [...lit, ...dark];
  return OF_DARK.includes(word) ? dark : lit;
}
