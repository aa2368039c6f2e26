import { Button, Checkbox, NativeSelect } from '@mantine/core';
import { sourceWords } from '../../../../core/formatting/source.ts';
import type { Lamp } from '../../../../core/model/vehicle/lamp.ts';
import type { Fastening, Hazard, Opening } from '../../../../core/model/vehicle/opening.ts';
import {
  changeOpening,
  dropOpening,
  freeOpeningId,
  putOpening,
} from '../../../../core/vehicle/edit/openings.ts';
import { HAZARD_NAMES } from '../../../../core/words/openings.ts';
import { openingFrom, openingProblems, openingsOf } from '../../../../core/work/access/openings.ts';
import { USUAL_SOURCE, usualOpeningsFor } from '../../../../core/work/access/usualOpenings.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Fields } from '../../../ui/fields/Fields.tsx';
import { type Field, putField } from '../../../ui/fields/field.ts';
import { OpenMinutes } from '../OpenMinutes.tsx';
import { ToolsField } from '../ToolsField.tsx';
import { FasteningRow } from './FasteningRow.tsx';
import classes from './Opening.module.css';

const NEW: Record<Fastening['kind'], { name: string; held: Fastening }> = {
  fastener: {
    name: 'Screws, nuts',
    held: { kind: 'fastener', what: 'screw', size: 'cross-head', count: 2, where: '' },
  },
  clip: { name: 'Clips', held: { kind: 'clip', count: 2, edge: 'top', pull: 'straight' } },
  'guide-pin': { name: 'Guide pins', held: { kind: 'guide-pin', count: 2, pull: 'rearwards' } },
  plug: { name: 'Plug', held: { kind: 'plug', count: 1, catch: 'nobody has looked', where: '' } },
  piece: { name: 'A piece that comes off', held: { kind: 'piece', what: '', how: '' } },
};
const HAZARDS = Object.keys(HAZARD_NAMES) as Hazard[];
const WHERE: readonly Field<Opening>[] = [
  { of: 'words', key: 'where', label: 'Where, in words', placeholder: 'bonnet up, behind the headlamp' },
];
const AIRBAG: readonly Field<Opening>[] = [
  {
    of: 'number',
    key: 'airbagWaitMinutes',
    label: 'Wait after the battery is off',
    description: 'as the vehicle’s maker says; there is no usual figure',
    unit: 'min',
    min: 0,
    max: 120,
    optional: true,
  },
];
const DIFFERS: readonly Field<Opening>[] = [
  {
    of: 'words',
    key: 'differs',
    label: 'What differs on the other side',
    placeholder: 'the washer bottle is in front of the right one',
  },
];
/** What a change of each is called where it can be taken back. */
const PUT_WORDS: { readonly [K in keyof Opening]?: string } = {
  where: 'where',
  airbagWaitMinutes: 'airbag wait',
  differs: 'other side',
};

/** An opening as somebody wrote it down: what holds it, in the order it is undone, and what must be open before. */
export function OpeningFields({ opening, twin }: { opening: Opening; twin: Lamp | undefined }) {
  const { job, edit } = useDesk();
  const change = (label: string, act: (each: Opening) => void, mergeKey?: string) =>
    edit(
      `${opening.name}: ${label}`,
      (draft) => changeOpening(draft.vehicle, opening.id, twin, act),
      mergeKey ? { mergeKey: `opening-${opening.id}-${mergeKey}` } : {},
    );
  const put = (key: keyof Opening, value: Opening[keyof Opening] | undefined) =>
    change(PUT_WORDS[key] ?? key, (each) => putField(each, key, value), key);
  const problems = openingProblems(job.vehicle).filter((each) => each.includes(`openings ${opening.id}`));
  return (
    <>
      {opening.usual && !opening.corrected && (
        <p className="faint">
          As most of its kind are ({sourceWords(USUAL_SOURCE)}). Put right what differs.
        </p>
      )}
      <ol className={classes.undo} aria-label="Undone in this order">
        {opening.undo.map((held, place) => (
          <FasteningRow
            key={place}
            held={held}
            place={place}
            last={place === opening.undo.length - 1}
            change={(act, mergeKey) =>
              change(
                'what holds it',
                (each) => {
                  const mine = each.undo[place];
                  if (mine) act(mine);
                },
                mergeKey && `${place}-${mergeKey}`,
              )
            }
            move={(by) =>
              change('order', (each) => {
                const [moved] = each.undo.splice(place, 1);
                if (moved) each.undo.splice(place + by, 0, moved);
              })
            }
            remove={() => change('without one', (each) => void each.undo.splice(place, 1))}
          />
        ))}
      </ol>
      <div className={classes.add}>
        {Object.entries(NEW).map(([kind, { name, held }]) => (
          <Button
            key={kind}
            size="xs"
            variant="default"
            disabled={opening.undo.length >= 24}
            onClick={() => change(name, (each) => void each.undo.push(structuredClone(held)))}
          >
            + {name}
          </Button>
        ))}
      </div>
      <Fields fields={WHERE} record={opening} onSave={put} />
      <ToolsField
        key={opening.id}
        tools={opening.tools}
        save={(tools) => change('tools', (each) => void (each.tools = tools), 'tools')}
      />
      <OpenMinutes
        minutes={opening.minutes}
        save={(which, minutes) =>
          change('time', (each) => void (each.minutes[which] = minutes), `time-${which}`)
        }
      />
      <Needs opening={opening} />
      <div>
        <div className={classes.label}>What can hurt there</div>
        <div className={classes.checks}>
          {HAZARDS.map((hazard) => (
            <Checkbox
              key={hazard}
              label={HAZARD_NAMES[hazard]}
              checked={opening.hazards.includes(hazard)}
              onChange={(event) => {
                const there = event.currentTarget.checked;
                change(HAZARD_NAMES[hazard], (each) => {
                  each.hazards = each.hazards.filter((one) => one !== hazard);
                  if (there) each.hazards.push(hazard);
                });
              }}
            />
          ))}
        </div>
        {opening.hazards.includes('curtain-airbag') && (
          <Fields fields={AIRBAG} record={opening} onSave={put} />
        )}
      </div>
      <Fields fields={DIFFERS} record={opening} onSave={put} />
      {problems.map((problem) => (
        <p key={problem} role="alert">
          {problem.replace(`vehicle.openings ${opening.id}`, opening.name)}
        </p>
      ))}
      <Button
        size="xs"
        variant="subtle"
        onClick={() =>
          edit(`${opening.name}: not written down`, (draft) => dropOpening(draft.vehicle, opening.id))
        }
      >
        Take it out again
      </Button>
    </>
  );
}

/** What must be open first: trim before lamp, cover before relay. */
function Needs({ opening }: { opening: Opening }) {
  const { job, edit } = useDesk();
  const others = openingsOf(job.vehicle)
    .map((each) => each.opening)
    .filter(
      ({ id, of, needs }) =>
        id !== opening.id && (of === 'trim' || opening.needs.includes(id)) && !needs.includes(opening.id),
    );
  const set = (label: string, act: (needs: string[]) => string[]) =>
    edit(`${opening.name}: ${label}`, (draft) => {
      const mine = draft.vehicle.openings?.find(({ id }) => id === opening.id);
      if (mine) mine.needs = act(mine.needs).slice(0, 6);
    });
  return (
    <div>
      <div className={classes.label}>What must come out first</div>
      <div className={classes.checks}>
        {others.map(({ id, name }) => (
          <Checkbox
            key={id}
            label={name}
            checked={opening.needs.includes(id)}
            onChange={(event) => {
              const needed = event.currentTarget.checked;
              set(needed ? `${name} first` : `without ${name}`, (needs) =>
                needed ? [...needs, id] : needs.filter((each) => each !== id),
              );
            }}
          />
        ))}
      </div>
      <NativeSelect
        aria-label="Add trim or cover that comes out first"
        value=""
        data={[
          { value: '', label: 'Add trim or cover' },
          ...usualOpeningsFor('trim').map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(event) => {
          const usual = usualOpeningsFor('trim').find(({ id }) => id === event.currentTarget.value);
          if (!usual) return;
          edit(`${opening.name}: ${usual.name} first`, (draft) => {
            const id = freeOpeningId(draft.vehicle, 'trim');
            const plan = draft.vehicle.lamps.find(({ access }) => access.group === opening.id)?.plan;
            putOpening(draft.vehicle, { ...openingFrom(usual, id, usual.name), ...(plan ? { plan } : {}) });
            const mine = draft.vehicle.openings?.find((each) => each.id === opening.id);
            if (mine && mine.needs.length < 6) mine.needs.push(id);
          });
        }}
      />
    </div>
  );
}
