import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { IMPERIAL, METRIC, type Units } from '../../../core/formatting/units.ts';
import { keptValues, readLine, useKept } from '../../store/kept.ts';
import { Card } from '../../ui/Card.tsx';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import { keepSettings, type Settings, settingsNow } from '../../ui/settings.ts';
import { DemoCard } from './DemoCard.tsx';
import classes from './Settings.module.css';
import { StorageCard } from './StorageCard.tsx';
import { ThemeChoice } from './ThemeChoice.tsx';

const UNIT_FIELDS: {
  [K in keyof Units]: { label: string; data: readonly { value: Units[K]; label: string }[] };
} = {
  length: {
    label: 'Lengths',
    data: [
      { value: 'mm', label: 'millimetres' },
      { value: 'in', label: 'inches' },
    ],
  },
  wire: {
    label: 'Wires',
    data: [
      { value: 'mm2', label: 'square millimetres' },
      { value: 'awg', label: 'American gauge' },
    ],
  },
  temperature: {
    label: 'Temperatures',
    data: [
      { value: 'C', label: 'Celsius' },
      { value: 'F', label: 'Fahrenheit' },
    ],
  },
  distance: {
    label: 'Distances',
    data: [
      { value: 'm', label: 'metres' },
      { value: 'ft', label: 'feet' },
    ],
  },
  light: {
    label: 'Light on a spot',
    data: [
      { value: 'lx', label: 'lux' },
      { value: 'fc', label: 'foot-candles' },
    ],
  },
};

/** How things are written here, who works here, and what this browser keeps. */
export function Component() {
  const ready = useLiveQuery(() => keptValues.loaded().then(() => true));
  return (
    <div className={classes.place}>
      <h1>Settings</h1>
      {ready && <NameCard />}
      <Writing />
      <StorageCard />
      <DemoCard />
    </div>
  );
}

function NameCard() {
  const [by, setBy] = useKept('seen-by', '', readLine);
  return (
    <Card title="Who works here" heading="h2">
      <div className={classes.fields}>
        <TextInput
          label="Name"
          description="stands at what you record, and at what you hand on"
          maxLength={160}
          value={by}
          onChange={(event) => setBy(event.currentTarget.value)}
        />
      </div>
    </Card>
  );
}

/** Units, words, money, time, theme and sound: chosen here, used once the page is loaded again. */
function Writing() {
  const [chosen, setChosen] = useState<Settings>(settingsNow);
  const set = (change: Partial<Settings>) => {
    const next = { ...chosen, ...change };
    setChosen(next);
    keepSettings(next);
  };
  const changed = JSON.stringify(chosen) !== JSON.stringify(settingsNow());
  return (
    <Card title="How things are written" heading="h2">
      <div className={classes.row}>
        <Button variant="default" onClick={() => set({ units: METRIC })}>
          All metric
        </Button>
        <Button variant="default" onClick={() => set({ units: IMPERIAL })}>
          All imperial
        </Button>
      </div>
      {changed && (
        <div className={classes.row} role="status">
          <span>
            Kept. Everything is written so once the page is loaded again; nothing you typed is lost.
          </span>
          <Button onClick={() => location.reload()}>Load again</Button>
        </div>
      )}
      <div className={classes.fields}>
        {(Object.keys(UNIT_FIELDS) as (keyof Units)[]).map((key) => (
          <NativeSelect
            key={key}
            label={UNIT_FIELDS[key].label}
            value={chosen.units[key]}
            data={[...UNIT_FIELDS[key].data]}
            onChange={(event) =>
              set({ units: { ...chosen.units, [key]: event.currentTarget.value } as Units })
            }
          />
        ))}
        <NativeSelect
          label="Words"
          value={chosen.earth}
          data={[
            { value: 'by-market', label: 'of each vehicle’s market' },
            { value: 'earth', label: 'earth' },
            { value: 'ground', label: 'ground' },
          ]}
          onChange={(event) => set({ earth: event.currentTarget.value as Settings['earth'] })}
        />
        <NativeSelect
          label="Time of day"
          value={chosen.clock}
          data={[
            { value: 'system', label: 'as the browser has it' },
            { value: '24', label: '24 hours' },
            { value: '12', label: '12 hours' },
          ]}
          onChange={(event) => set({ clock: event.currentTarget.value as Settings['clock'] })}
        />
        <TextInput
          label="Currency"
          description="a word or sign behind prices"
          maxLength={8}
          value={chosen.currency}
          onChange={(event) => set({ currency: event.currentTarget.value })}
        />
        <DecimalInput
          label="Tax on top of prices"
          description="empty where prices have it in them"
          suffix=" %"
          min={0}
          max={100}
          decimalScale={2}
          value={chosen.taxPercent ?? ''}
          onChange={(value) =>
            set({ taxPercent: value === '' || !Number.isFinite(Number(value)) ? null : Number(value) })
          }
        />
        <NativeSelect
          label="Sound of the relay"
          value={chosen.sound ? 'on' : 'off'}
          data={[
            { value: 'off', label: 'off until it is switched on' },
            { value: 'on', label: 'on from the start' },
          ]}
          onChange={(event) => set({ sound: event.currentTarget.value === 'on' })}
        />
        <ThemeChoice />
      </div>
      <p className="faint">
        Fields take any unit whatever is chosen: 3/8 in, 18 AWG, 0,75. Stored are millimetres, square
        millimetres, metres, degrees Celsius and lux.
      </p>
    </Card>
  );
}
