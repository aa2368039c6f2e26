import { NativeSelect } from '@mantine/core';
import { percent } from '../../../core/formatting/format.ts';
import { setCanSetLed, setWatched, type WatchRow, watchMap } from '../../../core/vehicle/edit/watchMap.ts';
import { Card } from '../../ui/Card.tsx';
import { useDesk } from '../workspace.ts';
import classes from './WatchCard.module.css';

/** Yes, no, or nobody has looked: all three are answers. */
const ANSWERS = [
  ['yes', true],
  ['no', false],
  ['unknown', null],
] as const;
const answerOf = (fact: boolean | null) => ANSWERS.find(([, each]) => each === fact)?.[0] ?? 'unknown';
const factOf = (value: string) => ANSWERS.find(([each]) => each === value)?.[1] ?? null;

/** Who watches each circuit, whether it can be told of LEDs, and what else its output does. */
export function WatchCard() {
  const { job, edit } = useDesk();
  const rows = watchMap(job.vehicle);
  return (
    <Card title="Watch map: who looks at each circuit">
      <p className="faint">
        A verdict holds both ways wherever nobody has looked. What is listed on a controller is what most
        have.
      </p>
      <ul className={classes.rows}>
        {rows.map((row) => (
          <Row
            key={row.circuit.id}
            row={row}
            onWatched={(fact) =>
              edit(`Whether ${row.circuit.name.toLowerCase()} is watched`, (draft) =>
                setWatched(draft.vehicle, row.circuit.id, fact),
              )
            }
            onCanSetLed={(fact) =>
              edit(`LED setting of ${row.circuit.name.toLowerCase()}`, (draft) =>
                setCanSetLed(draft.vehicle, row.circuit.id, fact),
              )
            }
          />
        ))}
      </ul>
    </Card>
  );
}

interface RowProps {
  row: WatchRow;
  onWatched(fact: boolean | null): void;
  onCanSetLed(fact: boolean | null): void;
}

function Row({
  row: { circuit, by, watched, toldElsewhere, canSetLed, pulsed, leakOhms },
  onWatched,
  onCanSetLed,
}: RowProps) {
  const more = [
    pulsed === null ? null : `dimmed by pulses, ${percent(pulsed)} on`,
    leakOhms === null ? null : 'lets a little through while off',
  ].filter((each) => each !== null);
  return (
    <li className={classes.row}>
      <div>
        {circuit.name}
        <div className="faint">
          {[toldElsewhere ? `${by} watches it` : null, ...more].filter(Boolean).join(', ')}
        </div>
      </div>
      {!toldElsewhere && (
        <NativeSelect
          aria-label={`Whether ${circuit.name} is watched`}
          value={answerOf(watched)}
          data={[
            {
              value: 'yes',
              label: canSetLed !== undefined ? 'the controller watches it' : 'something watches it',
            },
            { value: 'no', label: 'nothing watches it' },
            { value: 'unknown', label: 'nobody has looked' },
          ]}
          onChange={(event) => onWatched(factOf(event.currentTarget.value))}
        />
      )}
      {canSetLed !== undefined && (
        <NativeSelect
          aria-label={`LED setting for ${circuit.name}`}
          value={answerOf(canSetLed)}
          data={[
            { value: 'yes', label: 'can be set to LED' },
            { value: 'no', label: 'cannot be set to LED' },
            { value: 'unknown', label: 'setting not looked up' },
          ]}
          onChange={(event) => onCanSetLed(factOf(event.currentTarget.value))}
        />
      )}
    </li>
  );
}
