import { Checkbox } from '@mantine/core';
import type { Lamp, WorksLed } from '../../../core/model/vehicle/lamp.ts';
import { lampAcross } from '../../../core/vehicle/across.ts';
import { setWorksLed } from '../../../core/vehicle/edit/works.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Fields } from '../../ui/fields/Fields.tsx';
import { type Field, namedOptions } from '../../ui/fields/field.ts';
import classes from './Identify.module.css';

/** What is said of an LED from the works, with what nobody knows left out. */
interface Said {
  sealed?: 'yes' | 'no';
  faultLine?: 'yes' | 'no';
  amps?: number;
  dimAmps?: number;
}

const amps = { of: 'number', unit: 'A', min: 0.001, max: 10, decimals: 3, optional: true } as const;
const open = 'don’t know yet';
const LOOKED: readonly Field<Said>[] = [
  {
    of: 'choice',
    key: 'sealed',
    label: 'Its LED',
    description: 'A bulb that comes out can be changed; what is sealed in goes with its lamp.',
    open,
    options: namedOptions({ yes: 'is sealed into the lamp', no: 'is a bulb that comes out' }),
  },
  {
    of: 'choice',
    key: 'faultLine',
    label: 'A fault wire of its own',
    description: 'A cavity that is neither feed nor earth: over it the lamp tells that it failed.',
    open,
    options: namedOptions({ yes: 'it has one', no: 'it has none' }),
  },
];
const MEASURED: readonly Field<Said>[] = [
  {
    ...amps,
    key: 'amps',
    label: 'It draws',
    description: 'A clamp round its feed, that function alone on, engine running.',
  },
];
const DIM: readonly Field<Said>[] = [
  { ...amps, key: 'dimAmps', label: 'With the lights alone', description: 'Its dim level, the same way.' },
];

const told = (fact: boolean): 'yes' | 'no' => (fact ? 'yes' : 'no');

function saidOf({ sealed, faultLine, amps: bright, dimAmps }: WorksLed): Said {
  return {
    ...(sealed === null ? {} : { sealed: told(sealed) }),
    ...(faultLine === null ? {} : { faultLine: told(faultLine) }),
    ...(bright === null ? {} : { amps: bright }),
    ...(dimAmps ? { dimAmps } : {}),
  };
}

/** Whether a lamp left the works with an LED, and what was looked at and measured of it. No bulb number is asked for. */
export function WorksLedCard({ lamp }: { lamp: Lamp }) {
  const { job, edit, alike } = useDesk();
  const twin = alike ? lampAcross(job.vehicle, lamp) : undefined;
  const ids = [lamp.id, ...(twin ? [twin.id] : [])];
  const { works } = lamp;
  const save = (key: keyof Said, value: Said[keyof Said]) =>
    edit(
      `${lamp.name}: LED from the works`,
      (draft) => {
        for (const each of draft.vehicle.lamps) {
          if (!ids.includes(each.id) || !each.works) continue;
          if (key === 'sealed' || key === 'faultLine')
            each.works[key] = value === undefined ? null : value === 'yes';
          else each.works[key] = typeof value === 'number' ? value : null;
        }
      },
      { mergeKey: `works-${lamp.id}-${key}` },
    );
  return (
    <Card
      title={works ? `${lamp.name}: LED from the works` : 'LED from the works'}
      aside={
        <Checkbox
          label="it left the works with an LED"
          checked={works !== undefined}
          onChange={(event) => {
            const led = event.currentTarget.checked;
            edit(`${lamp.name}: ${led ? 'an LED' : 'a bulb'} from the works`, (draft) => {
              for (const id of ids) setWorksLed(draft.vehicle, id, led);
            });
          }}
        />
      }
    >
      {works ? (
        <div className={classes.fields}>
          <Fields fields={LOOKED} record={saidOf(works)} onSave={save} />
          <div className={classes.measures}>
            <Fields
              fields={works.dimAmps === undefined ? MEASURED : [...MEASURED, ...DIM]}
              record={saidOf(works)}
              onSave={save}
            />
          </div>
          <p className="faint">
            Until somebody has measured it is judged from the least to the most such lamps draw (from memory,
            verify).
          </p>
        </div>
      ) : (
        <p className="faint">Then no bulb is in it, and none is asked for.</p>
      )}
    </Card>
  );
}
