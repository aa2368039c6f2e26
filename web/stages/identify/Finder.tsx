import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { BASES, baseRecord } from '../../../core/catalogue/bases.ts';
import { signalFilament } from '../../../core/catalogue/bulbs.ts';
import { lookAlikes, numberCannotTell, searchBulbs } from '../../../core/catalogue/finder.ts';
import { amps, volts } from '../../../core/formatting/format.ts';
import { length, lengthFigure, readQuantity } from '../../../core/formatting/units.ts';
import type { BaseId, Bulb } from '../../../core/model/bulb.ts';
import type { Lamp } from '../../../core/model/vehicle/lamp.ts';
import { bulbOf } from '../../../core/simulation/fitment.ts';
import { lampAcross } from '../../../core/vehicle/across.ts';
import { changeStockBulbOf } from '../../../core/vehicle/edit/jobEdits.ts';
import { bulbWatts } from '../../../core/words/bulbs.ts';
import { useDesk } from '../../job/workspace.ts';
import { BaseFace } from '../../ui/bulbs/BaseFace.tsx';
import { Card } from '../../ui/Card.tsx';
import { QuantityInput } from '../../ui/QuantityInput.tsx';
import classes from './Identify.module.css';

/** The bulb of one lamp, found by a number on it, by its base, by rule and calliper, or by the picture of its contacts. */
export function Finder({ lamp }: { lamp: Lamp }) {
  const { job, edit } = useDesk();
  const [query, setQuery] = useState('');
  const [base, setBase] = useState<BaseId | null>(null);
  const [glass, setGlass] = useState('');
  const [long, setLong] = useState('');
  const [across, setAcross] = useState('');
  const [filaments, setFilaments] = useState('');
  const now = bulbOf(job, lamp);
  const record = baseRecord(lamp.base);
  const measured = (typed: string) => {
    const mm = readQuantity('length', typed);
    return mm !== null && mm > 0 ? mm : undefined;
  };
  const described = {
    glassMm: measured(glass),
    lengthMm: measured(long),
    baseMm: measured(across),
    filaments: filaments === '1' ? 1 : filaments === '2' ? 2 : undefined,
  } as const;
  const asked =
    query.trim() !== '' || base !== null || Object.values(described).some((each) => each !== undefined);
  const { glassMm, lengthMm, baseMm, filaments: count } = described;
  const found = searchBulbs({
    ...(asked ? {} : { base: lamp.base }),
    ...(query.trim() === '' ? {} : { name: query }),
    ...(base === null ? {} : { base }),
    ...(glassMm === undefined ? {} : { glassMm }),
    ...(lengthMm === undefined ? {} : { lengthMm }),
    ...(baseMm === undefined ? {} : { baseMm }),
    ...(count === undefined ? {} : { filaments: count }),
  });
  const clear = () => {
    setQuery('');
    setBase(null);
    setGlass('');
    setLong('');
    setAcross('');
    setFilaments('');
  };
  return (
    <Card
      title={`${lamp.name}: which bulb is it?`}
      aside={
        asked && (
          <Button size="xs" variant="default" onClick={clear}>
            Clear the search
          </Button>
        )
      }
    >
      <div className={classes.baseLine}>
        <BaseFace base={lamp.base} />
        <p className={classes.base}>
          <b>{record.id}</b>, {record.name.toLowerCase()}. {record.recognise} {record.release}
        </p>
      </div>
      <TextInput
        label="Find a bulb by any of its names"
        placeholder="P21W, 1156, ba15s, 382"
        value={query}
        onChange={(event) => setQuery(event.currentTarget.value)}
        description={asked ? `${found.length} found` : `Shown: every bulb with base ${lamp.base}`}
      />
      <details className={classes.measure}>
        <summary>Or by measures, or by the picture of its contacts</summary>
        <div className={classes.measures}>
          <Measure label="Glass, widest" value={glass} set={setGlass} />
          <Measure label="Length over all" value={long} set={setLong} />
          <Measure label="Across the base" value={across} set={setAcross} />
          <NativeSelect
            label="Filaments"
            value={filaments}
            data={[
              { value: '', label: 'any' },
              { value: '1', label: 'one' },
              { value: '2', label: 'two' },
            ]}
            onChange={(event) => setFilaments(event.currentTarget.value)}
          />
        </div>
        <div className={classes.faces} role="group" aria-label="Bases from their contact end, to one scale">
          {BASES.map((each) => (
            <button
              key={each.id}
              type="button"
              aria-pressed={base === each.id}
              onClick={() => setBase(base === each.id ? null : each.id)}
              title={each.name}
            >
              <BaseFace base={each.id} scale={2.2} />
              <span>{each.id}</span>
            </button>
          ))}
        </div>
      </details>
      {found.length === 0 && (
        <p className={classes.none}>
          No bulb in the catalogue is like that. Measure again, leave one measure out, or try the number on
          its cap.
        </p>
      )}
      <ul className={classes.bulbs}>
        {found.map((bulb) => (
          <BulbRow
            key={bulb.id}
            bulb={bulb}
            lamp={lamp}
            chosen={bulb.id === now.id && job.identified[lamp.id] !== undefined}
            choose={() => {
              const twin = lampAcross(job.vehicle, lamp);
              edit(`${lamp.name} has ${bulb.names[0]}`, (draft) => {
                // Another base than the listed one: the lamp itself is another than was thought.
                if (bulb.base !== lamp.base) {
                  changeStockBulbOf(draft, lamp.id, bulb.id);
                  if (twin) changeStockBulbOf(draft, twin.id, bulb.id);
                }
                draft.identified[lamp.id] = bulb.id;
              });
            }}
          />
        ))}
      </ul>
    </Card>
  );
}

function Measure({ label, value, set }: { label: string; value: string; set(value: string): void }) {
  const wrong = value.trim() !== '' && readQuantity('length', value) === null;
  return (
    <QuantityInput
      quantity="length"
      label={label}
      value={value}
      error={wrong ? 'Type a figure, or with its unit: 3/8 in' : undefined}
      onText={set}
    />
  );
}

function BulbRow({
  bulb,
  lamp,
  chosen,
  choose,
}: {
  bulb: Bulb;
  lamp: Lamp;
  chosen: boolean;
  choose(): void;
}) {
  const { systemVolts } = useDesk().job.vehicle;
  const filament = signalFilament(bulb);
  const alike = lookAlikes(bulb);
  const interchanging = alike.filter((each) => each.interchanges);
  const others = alike.filter((each) => !each.interchanges);
  const notes = numberCannotTell(bulb);
  const obstacle =
    bulb.systemVolts === systemVolts
      ? null
      : `made for ${bulb.systemVolts} V; this vehicle has ${systemVolts} V`;
  return (
    <li className={classes.bulb}>
      <div>
        <b>{bulb.names[0]}</b> <span className="faint">{bulb.names.slice(1).join(', ')}</span>
        <div className="faint">
          {bulb.base}
          {bulb.glass === 'clear' ? '' : `, ${bulb.glass} glass`}
          {bulb.filaments.length === 2 ? ', two filaments, bright one' : ''} · {amps(filament.amps)}{' '}
          {filament.ampsOrigin} at {volts(filament.testVolts)}, {bulbWatts(bulb)} ·{' '}
          {Math.round(filament.lumens)} lm rated · {lengthFigure(bulb.lengthMm)} × {length(bulb.glassMm)}{' '}
          typical
        </div>
        {interchanging.length > 0 && (
          <div className="faint">
            Interchanges with{' '}
            {interchanging
              .map(
                ({ bulb: other }) =>
                  `${other.names[0]}, which draws ${amps(signalFilament(other).amps)} at ${volts(signalFilament(other).testVolts)}`,
              )
              .join('; ')}
          </div>
        )}
        {(others.length > 0 || notes.length > 0) && (
          <details className={classes.alike}>
            <summary>What it is taken for, and what its number does not tell</summary>
            <ul>
              {notes.map((note) => (
                <li key={note}>{note}</li>
              ))}
              {others.slice(0, 8).map(({ bulb: other, differs }) => (
                <li key={other.id}>
                  {other.names[0]}: {differs.join(', ') || 'alike but for its rating'}
                </li>
              ))}
            </ul>
          </details>
        )}
        {obstacle && <div className={classes.obstacle}>Not for this lamp: {obstacle}.</div>}
        {!obstacle && bulb.base !== lamp.base && (
          <div className={classes.obstacle}>
            Base {bulb.base}, where {lamp.base} was listed: choosing it corrects the lamp, and its twin.
          </div>
        )}
      </div>
      <Button size="sm" variant={chosen ? 'filled' : 'default'} disabled={obstacle !== null} onClick={choose}>
        {chosen ? 'Fitted' : 'It is this'}
      </Button>
    </li>
  );
}
