import { useState } from 'react';
import { bulbById } from '../../../core/catalogue/bulbs.ts';
import { watts as wattsText } from '../../../core/formatting/format.ts';
import type { Shelf } from '../../../core/model/part.ts';
import type { QuickLed } from '../../../core/quick/question.ts';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import classes from './Quick.module.css';

const KINDS = [
  { kind: 'plain', name: 'Plain', what: 'nothing said but watts' },
  { kind: 'regulated', name: 'Regulated', what: 'a driver inside, 9 to 16 V' },
  { kind: 'load', name: 'Load built in', what: 'sold as “no error”' },
  { kind: 'unknown', name: 'I don’t know', what: 'all of these are tried' },
] as const;

/** The third tap: what is known of the LED in the hand. */
export function LedTiles({
  bulb,
  shelf,
  onTake,
}: {
  bulb: string | null;
  shelf: Shelf;
  onTake(led: QuickLed): void;
}) {
  const [watts, setWatts] = useState<string | number>('');
  const typed = watts === '' ? null : Number(watts);
  const wrong = typed !== null && !(typed > 0 && typed <= 60);
  const base = bulb === null ? undefined : bulbById(bulb)?.base;
  const fitting = shelf.filter(
    (part) => part.kind === 'led' && part.open === undefined && (!base || part.bases.includes(base)),
  );
  return (
    <>
      <div className={classes.tiles} role="group" aria-label="Which LED">
        {KINDS.map(({ kind, name, what }) => (
          <button
            key={kind}
            type="button"
            className={classes.tile}
            disabled={wrong}
            onClick={() => onTake({ kind, watts: typed, forVolts: null })}
          >
            <span>
              {name}
              <small>{what}</small>
            </span>
          </button>
        ))}
      </div>
      <DecimalInput
        label="Watts printed on it, if any"
        suffix=" W"
        min={0}
        max={60}
        decimalScale={1}
        value={watts}
        onChange={setWatts}
        error={
          wrong ? 'A signal LED draws from 0.1 to 60 W. Leave it empty if nothing is printed.' : undefined
        }
      />
      {fitting.length > 0 && (
        <details className={classes.shelf}>
          <summary>One of the shelf ({fitting.length})</summary>
          <div className={classes.tiles}>
            {fitting.map((part) => (
              <button
                key={part.id}
                type="button"
                className={classes.tile}
                onClick={() => onTake({ kind: 'part', partId: part.id })}
              >
                <span>
                  {part.code}
                  <small>
                    {part.name}
                    {part.kind === 'led' ? `, ${wattsText(part.watts)}` : ''}
                  </small>
                </span>
              </button>
            ))}
          </div>
        </details>
      )}
    </>
  );
}
