import { Button } from '@mantine/core';
import { useState } from 'react';
import { capital } from '../../../../core/formatting/format.ts';
import type { Fastening } from '../../../../core/model/vehicle/opening.ts';
import { fasteningWords } from '../../../../core/words/openings.ts';
import { Fields } from '../../../ui/fields/Fields.tsx';
import { type Field, putField } from '../../../ui/fields/field.ts';
import { FASTENING_FIELDS } from './fasteningFields.ts';
import classes from './Opening.module.css';

interface FasteningRowProps {
  held: Fastening;
  place: number;
  last: boolean;
  /** a change of this one; `mergeKey` joins what is typed in one go */
  change(act: (held: Fastening) => void, mergeKey?: string): void;
  move(by: -1 | 1): void;
  remove(): void;
}

/** One thing that holds, in the order it is undone: what, how many, where, how it lets go. */
export function FasteningRow({ held, place, last, change, move, remove }: FasteningRowProps) {
  const named = `${place + 1}.`;
  // What nobody has filled in yet is open at once.
  const [changing, setChanging] = useState(() => (held.kind === 'piece' ? held.what === '' : false));
  return (
    <li className={classes.row}>
      <span className={classes.number}>{named}</span>
      <span className={classes.words}>
        {capital(fasteningWords(held)) || 'A piece'}
        <Button
          size="xs"
          variant="subtle"
          aria-expanded={changing}
          aria-label={`${changing ? 'Close' : 'Change'} ${named}`}
          onClick={() => setChanging(!changing)}
        >
          {changing ? 'Close' : 'Change'}
        </Button>
      </span>
      {changing && (
        <>
          <div className={classes.what}>
            <Fields
              fields={FASTENING_FIELDS[held.kind] as readonly Field<Fastening>[]}
              record={held}
              onSave={(key, value) => change((each) => putField(each, key, value), key)}
            />
          </div>
          <span className={classes.moves}>
            <Button
              size="xs"
              variant="subtle"
              disabled={place === 0}
              onClick={() => move(-1)}
              aria-label={`${named} earlier`}
            >
              Earlier
            </Button>
            <Button
              size="xs"
              variant="subtle"
              disabled={last}
              onClick={() => move(1)}
              aria-label={`${named} later`}
            >
              Later
            </Button>
            <Button size="xs" variant="subtle" onClick={remove} aria-label={`Remove ${named}`}>
              Remove
            </Button>
          </span>
        </>
      )}
    </li>
  );
}
