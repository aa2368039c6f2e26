import { Button, Checkbox, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { type WorkedFunction, workedFunctions } from '../../../core/lookover/workedFunctions.ts';
import type { LampCondition } from '../../../core/model/job.ts';
import { jobLamps } from '../../../core/model/scope.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { useDesk, useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Gradually } from '../../ui/Gradually.tsx';
import { SavedText } from '../../ui/SavedText.tsx';
import classes from './WorkFunctions.module.css';

const CONDITIONS: readonly { value: LampCondition; label: string }[] = [
  { value: 'works', label: 'Works' },
  { value: 'dead', label: 'Dead' },
  { value: 'dim', label: 'Dim' },
  { value: 'wrong-colour', label: 'Wrong colour' },
];

/** Works through the functions one after another: the panel is set for it, its lamps are looked at, the next comes. */
export function WorkFunctions() {
  const { job, edit, setControls, setConfiguration } = useWorkspace();
  const mine = new Set(jobLamps(job).map((lamp) => lamp.id));
  const functions = workedFunctions(job.vehicle).flatMap((each) => {
    const lampIds = each.lampIds.filter((id) => mine.has(id));
    return lampIds.length > 0 ? [{ ...each, lampIds }] : [];
  });
  const { lamps } = job.lookOver;
  const worked = new Set(job.lookOver.worked ?? []);
  const seenOf = (each: WorkedFunction) => each.lampIds.filter((id) => lamps[id]).length;
  const [chosen, setChosen] = useState<string | null>(null);
  const current =
    functions.find((each) => each.id === chosen) ??
    functions.find((each) => !worked.has(each.id)) ??
    functions[0];
  const open = jobLamps(job).filter((lamp) => !lamps[lamp.id]);
  const show = (each: WorkedFunction) => {
    setChosen(each.id);
    setConfiguration('stock');
    setControls(each.controls);
  };
  const works = (ids: readonly string[], label: string, functionIds: readonly string[]) =>
    edit(label, (draft) => {
      for (const id of ids) draft.lookOver.lamps[id] ??= { condition: 'works', note: '' };
      draft.lookOver.worked = [...new Set([...(draft.lookOver.worked ?? []), ...functionIds])];
    });
  if (!current) return null;
  const after = functions[functions.indexOf(current) + 1];
  return (
    <Card
      title="Work the functions, one by one"
      aside={
        open.length > 0 && (
          <Button
            size="xs"
            variant="default"
            onClick={() =>
              works(
                open.map((lamp) => lamp.id),
                'All other lamps work',
                functions.map((each) => each.id),
              )
            }
          >
            {open.length === mine.size ? 'All work' : 'The others work'}
          </Button>
        )
      }
    >
      <div className={classes.functions} role="group" aria-label="Function to work">
        {functions.map((each) => (
          <button
            key={each.id}
            type="button"
            aria-pressed={each.id === current.id}
            data-done={worked.has(each.id)}
            onClick={() => show(each)}
          >
            {each.name}
            <span>
              {worked.has(each.id)
                ? 'worked'
                : `${each.lampIds.length} ${each.lampIds.length === 1 ? 'lamp' : 'lamps'}`}
            </span>
          </button>
        ))}
      </div>
      <p className={classes.prompt}>
        {current.name}: {current.lampIds.length === 1 ? 'this lamp' : 'these lamps'} should light, as on the
        plan. What does the vehicle do?
      </p>
      <ul className={classes.lamps}>
        <Gradually key={current.id} begin={0}>
          {current.lampIds.map((id) => (
            <LampRow key={id} lampId={id} />
          ))}
        </Gradually>
      </ul>
      <SavedText
        key={current.id}
        label="A warning on the dash with it"
        placeholder="none, or what it said"
        value={job.lookOver.messages?.[current.id] ?? ''}
        maxLength={160}
        onSave={(text) =>
          edit(
            `Warning with ${current.name.toLowerCase()}`,
            (draft) => {
              draft.lookOver.messages ??= {};
              if (text === '') delete draft.lookOver.messages[current.id];
              else draft.lookOver.messages[current.id] = text;
            },
            { mergeKey: `message-${current.id}` },
          )
        }
      />
      <div className={classes.acts}>
        {!worked.has(current.id) && (
          <Button
            onClick={() => {
              works(current.lampIds, `${current.name}: worked`, [current.id]);
              if (after) show(after);
            }}
          >
            {seenOf(current) < current.lampIds.length ? 'These work' : 'As marked'}
            {after ? ', next' : ''}
          </Button>
        )}
        {after && (
          <Button variant="default" onClick={() => show(after)}>
            Next: {after.name}
          </Button>
        )}
      </div>
    </Card>
  );
}

function LampRow({ lampId }: { lampId: string }) {
  const { job, edit, lamp: selected, selectLamp } = useDesk();
  const lamp = lampById(job.vehicle, lampId);
  const record = job.lookOver.lamps[lampId];
  const wrong = record !== undefined && record.condition !== 'works';
  return (
    <li className={classes.lamp} data-selected={selected?.id === lampId}>
      <button type="button" className={classes.name} onClick={() => selectLamp(lampId)}>
        {lamp.name}
      </button>
      <SegmentedControl
        size="sm"
        aria-label={`${lamp.name}: condition`}
        // None of them is the state nobody has looked at; an unknown value leaves all unpicked.
        value={record?.condition ?? ''}
        data={[...CONDITIONS]}
        onChange={(value) => {
          const picked = CONDITIONS.find((each) => each.value === value)?.value;
          if (!picked) return;
          edit(`${lamp.name}: ${picked}`, (draft) => {
            draft.lookOver.lamps[lampId] = { ...record, condition: picked, note: record?.note ?? '' };
          });
        }}
      />
      {wrong && (
        <div className={classes.more}>
          <SavedText
            label={`${lamp.name}: note`}
            placeholder="what was seen"
            value={record.note}
            maxLength={4000}
            onSave={(note) =>
              edit(
                `${lamp.name}: note`,
                (draft) => {
                  const mine = draft.lookOver.lamps[lampId];
                  if (mine) mine.note = note;
                },
                { mergeKey: `look-${lampId}` },
              )
            }
          />
          <Checkbox
            label="Put a new filament bulb on the pick list, unless an LED takes its place"
            checked={record.replace ?? record.condition === 'dead'}
            onChange={(event) => {
              const replace = event.currentTarget.checked;
              edit(`${lamp.name}: ${replace ? 'replace' : 'do not replace'}`, (draft) => {
                const mine = draft.lookOver.lamps[lampId];
                if (mine) mine.replace = replace;
              });
            }}
          />
        </div>
      )}
    </li>
  );
}
