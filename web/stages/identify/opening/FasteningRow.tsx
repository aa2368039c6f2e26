import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { capital } from '../../../../core/formatting/format.ts';
import { CATCHES, EDGES, type Fastening, PULLS } from '../../../../core/model/vehicle/opening.ts';
import { fasteningWords } from '../../../../core/words/openings.ts';
import { OptionalNumber } from '../../../ui/OptionalNumber.tsx';
import { SavedNumber } from '../../../ui/SavedNumber.tsx';
import { SavedText } from '../../../ui/SavedText.tsx';
import classes from './Opening.module.css';

const FASTENERS = ['screw', 'bolt', 'nut', 'push rivet'] as const;

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
            <Fields held={held} change={change} />
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

function Fields({ held, change }: Pick<FasteningRowProps, 'held' | 'change'>) {
  const count = 'count' in held && (
    <SavedNumber
      label="How many"
      unit=""
      value={held.count}
      min={1}
      max={60}
      onSave={(number) =>
        change((each) => {
          if ('count' in each) each.count = Math.round(number);
        }, 'count')
      }
    />
  );
  switch (held.kind) {
    case 'fastener':
      return (
        <>
          <NativeSelect
            label="What"
            value={held.what}
            data={[...FASTENERS]}
            onChange={(event) => {
              const what = FASTENERS.find((each) => each === event.currentTarget.value);
              if (what) change((each) => void (each.kind === 'fastener' && (each.what = what)));
            }}
          />
          <Words
            label="Size"
            value={held.size}
            placeholder="cross-head, T20, 10 mm"
            save={(size) => change((each) => void (each.kind === 'fastener' && (each.size = size)), 'size')}
          />
          {count}
          <OptionalNumber
            label="Length"
            unit="mm"
            value={held.lengthMm}
            min={1}
            max={300}
            onSave={(lengthMm) =>
              change((each) => {
                if (each.kind !== 'fastener') return;
                if (lengthMm === undefined) delete each.lengthMm;
                else each.lengthMm = lengthMm;
              }, 'length')
            }
          />
          <Words
            label="Where"
            value={held.where}
            placeholder="at the top"
            save={(where) =>
              change((each) => void (each.kind === 'fastener' && (each.where = where)), 'where')
            }
          />
          <Checkbox
            label="with washers"
            checked={held.washer === true}
            onChange={(event) => {
              const washer = event.currentTarget.checked;
              change((each) => {
                if (each.kind !== 'fastener') return;
                if (washer) each.washer = true;
                else delete each.washer;
              });
            }}
          />
        </>
      );
    case 'clip':
      return (
        <>
          <NativeSelect
            label="Clips at the edge"
            value={held.edge}
            data={[...EDGES]}
            onChange={(event) => {
              const edge = EDGES.find((each) => each === event.currentTarget.value);
              if (edge) change((each) => void (each.kind === 'clip' && (each.edge = edge)));
            }}
          />
          {count}
          <Pull held={held} change={change} />
        </>
      );
    case 'guide-pin':
      return (
        <>
          {count}
          <Pull held={held} change={change} />
        </>
      );
    case 'plug':
      return (
        <>
          <NativeSelect
            label="Plug, its catch"
            value={held.catch}
            data={[...CATCHES]}
            onChange={(event) => {
              const how = CATCHES.find((each) => each === event.currentTarget.value);
              if (how) change((each) => void (each.kind === 'plug' && (each.catch = how)));
            }}
          />
          {count}
          <Words
            label="Where"
            value={held.where}
            placeholder="behind the lamp"
            save={(where) => change((each) => void (each.kind === 'plug' && (each.where = where)), 'where')}
          />
        </>
      );
    case 'piece':
      return (
        <>
          <Words
            label="Comes off"
            value={held.what}
            placeholder="dust cover, bulb holder"
            save={(what) => change((each) => void (each.kind === 'piece' && (each.what = what)), 'what')}
          />
          <Words
            label="How"
            value={held.how}
            placeholder="turn it anticlockwise"
            save={(how) => change((each) => void (each.kind === 'piece' && (each.how = how)), 'how')}
          />
        </>
      );
  }
}

function Pull({
  held,
  change,
}: {
  held: Extract<Fastening, { kind: 'clip' | 'guide-pin' }>;
  change: FasteningRowProps['change'];
}) {
  return (
    <NativeSelect
      label={held.kind === 'guide-pin' ? 'Guide pins, pulled' : 'Pulled'}
      value={held.pull}
      data={[...PULLS]}
      onChange={(event) => {
        const pull = PULLS.find((each) => each === event.currentTarget.value);
        if (pull) change((each) => void ('pull' in each && (each.pull = pull)));
      }}
    />
  );
}

function Words({
  label,
  value,
  placeholder,
  save,
}: {
  label: string;
  value: string;
  placeholder: string;
  save(words: string): void;
}) {
  return <SavedText label={label} value={value} placeholder={placeholder} maxLength={160} onSave={save} />;
}
