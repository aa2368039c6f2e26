import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import type { LampCondition, TurnFunction } from '../../../core/model/job.ts';
import type { Lamp } from '../../../core/model/vehicle.ts';
import { FUNCTION_WORDS, latestObservation, TURN_FUNCTIONS } from '../../../core/record/observations.ts';
import { RateRecorder, RecordedRate } from '../../job/measure/RateRecorder.tsx';
import { useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { SavedText } from '../../ui/SavedText.tsx';
import { FlasherFacts } from './FlasherFacts.tsx';
import classes from './LookOver.module.css';

const CONDITIONS: readonly { value: LampCondition; label: string }[] = [
  { value: 'works', label: 'Works' },
  { value: 'dead', label: 'Dead' },
  { value: 'dim', label: 'Dim' },
  { value: 'wrong-colour', label: 'Wrong colour' },
];

/** Work every lamp, note what is already wrong, take the stock flash rate. */
export default function LookOver() {
  const { job, edit } = useWorkspace();
  const { lamps } = job.vehicle;
  const dead = lamps.filter((lamp) => job.lookOver.lamps[lamp.id]?.condition === 'dead');
  const open = lamps.filter((lamp) => !job.lookOver.lamps[lamp.id]);
  return (
    <div className={classes.grid}>
      <div className={classes.column}>
        <Card
          title="Which lamps work now"
          aside={
            open.length > 0 && (
              <Button
                size="xs"
                variant="default"
                onClick={() =>
                  edit('All other lamps work', (draft) => {
                    for (const lamp of open) draft.lookOver.lamps[lamp.id] = { condition: 'works', note: '' };
                  })
                }
              >
                {open.length === lamps.length ? 'All work' : 'The others work'}
              </Button>
            )
          }
        >
          <ul className={classes.lamps}>
            {lamps.map((lamp) => (
              <LampRow key={lamp.id} lamp={lamp} />
            ))}
          </ul>
          {dead.length > 0 && (
            <Caution>
              {dead.map((lamp) => lamp.name).join(' and ')}: dead already. The flash rate now is not the
              healthy one, and every later reading changes with it. An LED there cures it; a bulb that stays
              is put on the pick list.
            </Caution>
          )}
        </Card>
        <Card title="Warnings already on">
          <SavedText
            label="What the dash showed before anything was touched"
            placeholder="none, or what it said"
            value={job.lookOver.warnings}
            maxLength={4000}
            multiline
            onSave={(text) =>
              edit('Write warnings', (draft) => void (draft.lookOver.warnings = text), {
                mergeKey: 'warnings',
              })
            }
          />
        </Card>
        <FlasherFacts />
      </div>
      <StockRate />
    </div>
  );
}

function LampRow({ lamp }: { lamp: Lamp }) {
  const { job, edit, lamp: selected, selectLamp } = useWorkspace();
  const record = job.lookOver.lamps[lamp.id];
  return (
    <li className={classes.lamp} data-selected={selected?.id === lamp.id}>
      <button type="button" className={classes.name} onClick={() => selectLamp(lamp.id)}>
        {lamp.name}
      </button>
      <NativeSelect
        aria-label={`${lamp.name}: condition`}
        value={record?.condition ?? ''}
        data={[{ value: '', label: 'Not looked at' }, ...CONDITIONS]}
        onChange={(event) => {
          const condition = event.currentTarget.value as LampCondition | '';
          edit(`${lamp.name}: ${condition || 'not looked at'}`, (draft) => {
            if (condition === '') delete draft.lookOver.lamps[lamp.id];
            else draft.lookOver.lamps[lamp.id] = { condition, note: record?.note ?? '' };
          });
        }}
      />
    </li>
  );
}

function StockRate() {
  const { job } = useWorkspace();
  const [turnFunction, setFunction] = useState<TurnFunction>('turn-left');
  return (
    <Card title="Stock flash rate, before anything is touched">
      <ul className={classes.rates}>
        {TURN_FUNCTIONS.map((each) => {
          const observation = latestObservation(job, 'stock', each);
          return (
            <li key={each}>
              <span>{FUNCTION_WORDS[each]}</span>
              <span className={classes.rate}>
                {observation ? <RecordedRate observation={observation} /> : 'not measured'}
              </span>
            </li>
          );
        })}
      </ul>
      <SegmentedControl
        fullWidth
        aria-label="Function to measure"
        className={classes.which}
        data={TURN_FUNCTIONS.map((each) => ({ value: each, label: FUNCTION_WORDS[each] }))}
        value={turnFunction}
        onChange={(value) => setFunction(value as TurnFunction)}
      />
      <RateRecorder key={turnFunction} stage="stock" turnFunction={turnFunction} />
    </Card>
  );
}
