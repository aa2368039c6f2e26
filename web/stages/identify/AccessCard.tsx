import { Checkbox, NativeSelect } from '@mantine/core';
import { USUAL_LEADS } from '../../../core/cures/loadResistor/mounting.ts';
import { length } from '../../../core/formatting/units.ts';
import type { Lamp, LampRoom, ResistorMount } from '../../../core/model/vehicle/lamp.ts';
import { lampAcross } from '../../../core/vehicle/across.ts';
import { forgetWires } from '../../../core/vehicle/edit/forgotten.ts';
import { putOpening } from '../../../core/vehicle/edit/openings.ts';
import { openingFrom } from '../../../core/work/access/openings.ts';
import { usualOpeningsFor } from '../../../core/work/access/usualOpenings.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Fields } from '../../ui/fields/Fields.tsx';
import { type Field, namedOptions, putField } from '../../ui/fields/field.ts';
import { SavedText } from '../../ui/SavedText.tsx';
import classes from './Identify.module.css';
import { OpenMinutes } from './OpenMinutes.tsx';
import { OpeningFields } from './opening/OpeningFields.tsx';
import { ToolsField } from './ToolsField.tsx';

const MOUNTS: Record<ResistorMount, string> = {
  unknown: 'nobody has looked yet',
  none: 'nowhere: no metal, no room, or sealed',
  panel: 'bare body panel',
  bracket: 'the lamp’s own metal bracket, on standoffs',
  recess: 'a recess of the lamp, tucked in',
  chassis: 'chassis or thick bracket',
};

const millimetres = { of: 'number', unit: 'mm', optional: true } as const;
const ROOM: readonly Field<LampRoom>[] = [
  {
    ...millimetres,
    key: 'lengthMm',
    label: 'Room behind, length',
    description: 'from the seat to the wall',
    min: 1,
    max: 1000,
  },
  {
    ...millimetres,
    key: 'diameterMm',
    label: 'Room, width',
    description: 'of opening and housing',
    min: 1,
    max: 500,
  },
  {
    ...millimetres,
    key: 'metalWithinMm',
    label: 'Nearest bare metal',
    description: 'for a resistor',
    min: 0,
    max: 5000,
  },
];
const MOUNT: readonly Field<Lamp>[] = [
  {
    of: 'choice',
    key: 'resistorMount',
    label: 'A resistor could be screwed to',
    description:
      'Never to plastic. Where there is nothing, the Cure stage leaves resistors out for this lamp.',
    options: namedOptions(MOUNTS),
  },
];

/** How a lamp is reached, with which others, what room is behind it, and where a resistor could go. */
export function AccessCard({ lamp }: { lamp: Lamp }) {
  const { job, edit, alike, setAlike } = useDesk();
  const { lamps } = job.vehicle;
  const twin = lampAcross(job.vehicle, lamp);
  const change = (label: string, act: (each: Lamp) => void, mergeKey?: string) =>
    edit(
      `${lamp.name}: ${label}`,
      (draft) => {
        for (const each of draft.vehicle.lamps)
          if (each.id === lamp.id || (alike && each.id === twin?.id)) act(each);
      },
      mergeKey ? { mergeKey: `${mergeKey}-${lamp.id}` } : {},
    );
  const setRoom = (key: keyof LampRoom, value: number | undefined) =>
    change(
      'room behind',
      (each) => {
        const room: LampRoom = { ...each.room };
        putField(room, key, value);
        if (Object.keys(room).length === 0) delete each.room;
        else each.room = room;
      },
      `room-${key}`,
    );
  const neighbours = lamps.filter(
    (each) => each.id !== lamp.id && each.end === lamp.end && each.side === lamp.side,
  );
  const opening = job.vehicle.openings?.find(({ id, of }) => id === lamp.access.group && of === 'lamps');
  const writeDown = (usualId: string) => {
    const usual = usualOpeningsFor('lamps', lamp).find(({ id }) => id === usualId);
    if (!usual) return;
    edit(`${lamp.name}: ${usual.name}`, (draft) => {
      for (const each of [lamp, ...(alike && twin ? [twin] : [])])
        putOpening(draft.vehicle, openingFrom(usual, each.access.group, each.name));
    });
  };
  return (
    <Card
      title="Access and room"
      aside={
        twin && (
          <Checkbox
            label={`the same for ${twin.name.toLowerCase()}`}
            checked={alike}
            onChange={(event) => setAlike(event.currentTarget.checked)}
          />
        )
      }
    >
      <div className={classes.fields}>
        {opening ? (
          <OpeningFields key={opening.id} opening={opening} twin={alike ? twin : undefined} />
        ) : (
          <>
            <SavedText
              label="How it is reached"
              placeholder="from behind, lens off, whole lamp out, bumper off"
              value={lamp.access.how}
              maxLength={160}
              onSave={(how) => change('access', (each) => void (each.access.how = how), 'how')}
            />
            <NativeSelect
              label="Write it down piece by piece"
              description="screws, clips, plugs in their order: opening and closing steps come from it, with counts to tick"
              value=""
              data={[
                { value: '', label: 'in words is enough' },
                ...usualOpeningsFor('lamps', lamp).map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChange={(event) => writeDown(event.currentTarget.value)}
            />
            <ToolsField
              tools={lamp.access.tools}
              save={(tools) => change('tools', (each) => void (each.access.tools = tools), 'tools')}
            />
            <OpenMinutes
              minutes={lamp.access.minutes}
              save={(which, minutes) =>
                change('time', (each) => void (each.access.minutes[which] = minutes), `time-${which}`)
              }
            />
          </>
        )}
        {neighbours.length > 0 && (
          <div>
            <div className={classes.label}>Opened together with</div>
            <div className={classes.together}>
              {neighbours.map((other) => (
                <Checkbox
                  key={other.id}
                  label={other.name}
                  checked={other.access.group === lamp.access.group}
                  onChange={(event) => {
                    const together = event.currentTarget.checked;
                    edit(
                      `${other.name}: ${together ? 'behind the same panel' : 'a panel of its own'}`,
                      (draft) => {
                        const mine = draft.vehicle.lamps.find((each) => each.id === other.id);
                        if (!mine) return;
                        mine.access = together
                          ? { ...structuredClone(lamp.access), group: lamp.access.group }
                          : { ...mine.access, group: mine.id };
                        // An opening with no lamp behind it any more is none.
                        forgetWires(draft.vehicle);
                      },
                    );
                  }}
                />
              ))}
            </div>
          </div>
        )}
        <div className={classes.measures}>
          <Fields fields={ROOM} record={lamp.room ?? {}} onSave={setRoom} />
        </div>
        <Fields
          fields={MOUNT}
          record={lamp}
          onSave={(key, value) => change('where a resistor goes', (each) => putField(each, key, value))}
        />
        {lamp.resistorMount !== 'none' && (lamp.room?.metalWithinMm ?? 0) > USUAL_LEADS && (
          <p className={classes.obstacle}>
            Leads of such resistors are mostly about {length(USUAL_LEADS)};{' '}
            {length(lamp.room?.metalWithinMm ?? 0)} away they want lengthening with wire of the same size.
          </p>
        )}
      </div>
    </Card>
  );
}
