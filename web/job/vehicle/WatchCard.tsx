import { NativeSelect } from '@mantine/core';
import { percent } from '../../../core/formatting/format.ts';
import {
  setAlreadyLed,
  setCanSetLed,
  setLeaks,
  setPulsed,
  setWatched,
  type WatchRow,
  watchMap,
} from '../../../core/vehicle/edit/watchMap.ts';
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
        {rows.map((row) => {
          const say = (what: string, set: Say) => (fact: boolean | null) =>
            edit(`${what} of ${row.circuit.name.toLowerCase()}`, (draft) =>
              set(draft.vehicle, row.circuit.id, fact),
            );
          return (
            <Row
              key={row.circuit.id}
              row={row}
              onWatched={say('Watcher', setWatched)}
              onCanSetLed={say('LED setting', (vehicle, circuitId, can) => {
                setAlreadyLed(vehicle, circuitId, false);
                setCanSetLed(vehicle, circuitId, can);
              })}
              onSet={() =>
                edit(`LED setting of ${row.circuit.name.toLowerCase()}`, (draft) =>
                  setAlreadyLed(draft.vehicle, row.circuit.id, true),
                )
              }
              onPulsed={say('Pulses', setPulsed)}
              onLeaks={say('Leakage', setLeaks)}
            />
          );
        })}
      </ul>
    </Card>
  );
}

type Say = typeof setWatched;

interface RowProps {
  row: WatchRow;
  onWatched(fact: boolean | null): void;
  onCanSetLed(fact: boolean | null): void;
  onSet(): void;
  onPulsed(fact: boolean | null): void;
  onLeaks(fact: boolean | null): void;
}

function Row({
  row: { circuit, by, watched, toldElsewhere, canSetLed, setLed, pulsed, leaks, duty },
  onWatched,
  onCanSetLed,
  onSet,
  onPulsed,
  onLeaks,
}: RowProps) {
  const more = duty === null ? null : `dimmed by pulses, ${percent(duty)} on`;
  return (
    <li className={classes.row}>
      <div>
        {circuit.name}
        <div className="faint">
          {[toldElsewhere ? `${by} watches it` : null, more].filter(Boolean).join(', ')}
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
          value={setLed ? 'set' : answerOf(canSetLed)}
          data={[
            { value: 'set', label: 'set to LED already' },
            { value: 'yes', label: 'can be set to LED' },
            { value: 'no', label: 'cannot be set to LED' },
            { value: 'unknown', label: 'setting not looked up' },
          ]}
          onChange={({ currentTarget: { value } }) =>
            value === 'set' ? onSet() : onCanSetLed(factOf(value))
          }
        />
      )}
      {pulsed !== undefined && (
        <NativeSelect
          aria-label={`Whether ${circuit.name} is pulsed`}
          value={answerOf(pulsed)}
          data={[
            { value: 'yes', label: 'it is pulsed' },
            { value: 'no', label: 'plain volts' },
            { value: 'unknown', label: 'pulses not looked for' },
          ]}
          onChange={(event) => onPulsed(factOf(event.currentTarget.value))}
        />
      )}
      {leaks !== undefined && (
        <NativeSelect
          aria-label={`Whether ${circuit.name} leaks while off`}
          value={answerOf(leaks)}
          data={[
            { value: 'yes', label: 'leaks while off' },
            { value: 'no', label: 'dead while off' },
            { value: 'unknown', label: 'leakage not looked for' },
          ]}
          onChange={(event) => onLeaks(factOf(event.currentTarget.value))}
        />
      )}
    </li>
  );
}
