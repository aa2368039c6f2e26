import { Button, NativeSelect } from '@mantine/core';
import { BASES, baseRecord } from '../../../core/catalogue/bases.ts';
import { BULBS } from '../../../core/catalogue/bulbs.ts';
import type { Job } from '../../../core/model/job.ts';
import { CircuitKind, WorkedBy } from '../../../core/model/vehicle/circuit.ts';
import type { Lamp, Lens } from '../../../core/model/vehicle/lamp.ts';
import { circuitsOf } from '../../../core/model/vehicle/lookUp.ts';
import { lampAcross } from '../../../core/vehicle/across.ts';
import { type LampFunction, lampFunctions } from '../../../core/vehicle/edit/circuits.ts';
import {
  changeStockBulbOf,
  changeStopTurnOf,
  changeWorkOf,
  removeLampOf,
} from '../../../core/vehicle/edit/jobEdits.ts';
import { changeRole } from '../../../core/vehicle/edit/lamps.ts';
import { setReturn } from '../../../core/vehicle/edit/returns.ts';
import { stopsAndTurns } from '../../../core/vehicle/edit/stopTurn.ts';
import { workName } from '../../../core/vehicle/lampWork.ts';
import { Card } from '../../ui/Card.tsx';
import { Fields } from '../../ui/fields/Fields.tsx';
import { type Field, namedOptions, putField } from '../../ui/fields/field.ts';
import { SavedText } from '../../ui/SavedText.tsx';
import { useDesk } from '../workspace.ts';
import classes from './VehicleEditor.module.css';

/** The choice of one filament that is turn and stop lamp at once. */
const STOP_TURN = 'turn+stop';
const WORKED_BY: readonly { value: WorkedBy; label: string }[] = [
  { value: 'door', label: 'any door' },
  { value: 'lid', label: 'its lid or flap' },
  { value: 'lamp-switch', label: 'a switch of its own' },
];
const LENSES: Record<Lens, string> = {
  clear: 'clear',
  amber: 'amber',
  red: 'red',
  smoked: 'smoked',
  'green-film': 'green film',
};

const LOOKS: readonly Field<Lamp>[] = [
  { of: 'choice', key: 'lens', label: 'Lens', options: namedOptions(LENSES) },
  {
    of: 'choice',
    key: 'optics',
    label: 'Beam shaped by',
    open: 'don’t know yet',
    options: namedOptions({ reflector: 'a mirror behind', lens: 'the lens itself' }),
  },
];
const MODULE: readonly Field<Lamp>[] = [
  {
    of: 'words',
    key: 'module',
    label: 'Module living in it',
    description: 'Blind-spot sensor and the like.',
    placeholder: 'none',
    optional: true,
  },
];

/** One lamp: its work, lens and bulb. With left and right kept alike, its twin gets the same. */
export function LampEditor({ lamp }: { lamp: Lamp }) {
  const { job, edit, alike, selectLamp } = useDesk();
  const { vehicle } = job;
  const twin = alike ? lampAcross(vehicle, lamp) : undefined;
  const change = (label: string, act: (draft: Job, lampId: string) => void, mergeKey?: string) =>
    edit(
      `${lamp.name}: ${label}`,
      (draft) => {
        act(draft, lamp.id);
        if (twin) act(draft, twin.id);
      },
      mergeKey ? { mergeKey } : {},
    );
  const own = (label: string, act: (each: Lamp) => void, mergeKey?: string) =>
    change(
      label,
      (draft, lampId) => {
        const each = draft.vehicle.lamps.find((one) => one.id === lampId);
        if (each) act(each);
      },
      mergeKey,
    );
  const put = (key: keyof Lamp, value: Lamp[keyof Lamp] | undefined) =>
    own(key, (each) => putField(each, key, value), `${key}-${lamp.id}`);
  const functions = lampFunctions(vehicle, lamp.id);
  const main = functions.find((each) => each.input === 'main')?.kind ?? '';
  const dim = functions.find((each) => each.input === 'dim')?.kind ?? '';
  const isPilot = vehicle.pilot?.lampId === lamp.id;
  const both = stopsAndTurns(vehicle, lamp.id);
  const workedBy = functions.find((each) => each.input === 'main')?.workedBy ?? 'door';
  const setWork = (mainKind: string, dimKind: string, by: WorkedBy = 'door') => {
    const stops = mainKind === STOP_TURN;
    const wanted: LampFunction[] = [];
    for (const [kind, input] of [
      [stops ? 'turn' : mainKind, 'main'],
      [dimKind, 'dim'],
    ] as const) {
      const known = CircuitKind.safeParse(kind);
      if (known.success)
        wanted.push({
          kind: known.data,
          input,
          ...(known.data === 'interior' && by !== 'door' ? { workedBy: by } : {}),
        });
    }
    change('other work', (draft, lampId) => {
      changeStopTurnOf(draft, lampId, false);
      changeWorkOf(draft, lampId, wanted);
      if (stops) changeStopTurnOf(draft, lampId, true);
    });
  };
  const kinds = CircuitKind.options.map((kind) => ({ value: kind, label: workName(kind) }));
  const twinBase = baseRecord(lamp.base).twin === true;
  const returns = returnFields(vehicle, lamp);
  return (
    <Card
      title={twin ? `${lamp.name} and ${twin.name.toLowerCase()}` : lamp.name}
      aside={
        <Button
          size="xs"
          variant="default"
          onClick={() => {
            selectLamp(null);
            change('removed', (draft, lampId) => removeLampOf(draft, lampId));
          }}
        >
          {twin ? 'Remove both' : 'Remove'}
        </Button>
      }
    >
      <div className={classes.fields}>
        <SavedText
          label="Name"
          value={lamp.name}
          maxLength={160}
          onSave={(text) =>
            edit(
              `Name: ${text}`,
              (draft) => {
                const mine = draft.vehicle.lamps.find((each) => each.id === lamp.id);
                if (mine) mine.name = text;
              },
              { mergeKey: `name-${lamp.id}` },
            )
          }
        />
        {isPilot ? (
          <p className="faint">
            This is the turn pilot, wired between left and right: each side’s lamps complete the other’s
            circuit.
          </p>
        ) : (
          <div className={classes.two}>
            <NativeSelect
              label={twinBase ? 'Bright filament does' : 'It does'}
              value={both ? STOP_TURN : main}
              data={[
                ...(main === '' ? [{ value: '', label: 'nothing yet' }] : []),
                ...kinds,
                { value: STOP_TURN, label: 'turn and stop, one filament' },
              ]}
              onChange={(event) => setWork(event.currentTarget.value, dim)}
            />
            {main === 'interior' && (
              <NativeSelect
                label="What lights it"
                value={workedBy}
                data={WORKED_BY}
                onChange={(event) =>
                  setWork(main, dim, WorkedBy.safeParse(event.currentTarget.value).data ?? 'door')
                }
              />
            )}
            {twinBase && (
              <NativeSelect
                label="Dim filament does"
                value={dim}
                data={[{ value: '', label: 'nothing' }, ...kinds]}
                onChange={(event) => setWork(both ? STOP_TURN : main, event.currentTarget.value)}
              />
            )}
          </div>
        )}
        {twinBase && main !== '' && main === dim && (
          <p className="faint">
            Both filaments on one wire: the LED must match that, not what the bulb’s number suggests.
          </p>
        )}
        <NativeSelect
          label="Bulb it left the works with"
          description="What is in it now is said on Identify."
          value={lamp.stockBulb}
          data={BASES.map((base) => ({
            group: `${base.id}, ${base.name.toLowerCase()}`,
            items: BULBS.filter(
              (bulb) =>
                bulb.base === base.id &&
                (bulb.systemVolts === vehicle.systemVolts || bulb.id === lamp.stockBulb),
            ).map((bulb) => ({ value: bulb.id, label: bulb.names.slice(0, 2).join(', ') })),
          })).filter((group) => group.items.length > 0)}
          onChange={(event) => {
            const bulbId = event.currentTarget.value;
            change('another bulb', (draft, lampId) => changeStockBulbOf(draft, lampId, bulbId));
          }}
        />
        <div className={classes.two}>
          <Fields fields={LOOKS} record={lamp} onSave={put} />
          {lamp.end !== 'inside' && lamp.end !== 'dash' && (
            <NativeSelect
              label="Counts as"
              description="A watcher must miss a main lamp; a repeater it may not."
              value={lamp.role}
              data={[
                { value: 'main', label: 'main lamp' },
                { value: 'repeater', label: 'repeater' },
              ]}
              onChange={(event) => {
                const role = event.currentTarget.value === 'repeater' ? 'repeater' : 'main';
                change(role, (draft, lampId) => changeRole(draft.vehicle, lampId, role));
              }}
            />
          )}
          {returns.length > 0 && (
            <Fields
              fields={returns}
              record={lamp}
              onSave={(_, value) =>
                change('other contact', (draft, lampId) =>
                  setReturn(draft.vehicle, lampId, typeof value === 'string' ? value : undefined),
                )
              }
            />
          )}
          <Fields fields={MODULE} record={lamp} onSave={put} />
        </div>
      </div>
    </Card>
  );
}

/** Where the other contact of a lamp with one filament may hang: on earth, or on the feed of lamps that go there. */
function returnFields(vehicle: Job['vehicle'], lamp: Lamp): readonly Field<Lamp>[] {
  const fed = circuitsOf(vehicle, lamp.id);
  const between = (kind: CircuitKind) => kind === 'turn' || kind === 'tail' || kind === 'marker';
  if (!fed.some(({ kind }) => between(kind)) || fed.length > 1) return [];
  const options = vehicle.circuits
    .filter(({ id, kind, side }) => between(kind) && fed[0]?.id !== id && (!side || side === lamp.side))
    .map(({ id, name }) => ({ value: id, label: `on the ${name.toLowerCase()} feed` }));
  return [
    {
      of: 'choice',
      key: 'returnsTo',
      label: 'Its other contact',
      description: 'Some side markers have no earth: they hang between the turn and the position feed.',
      open: 'on earth',
      options,
    },
  ];
}
