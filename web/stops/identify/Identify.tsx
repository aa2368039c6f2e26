import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { baseRecord } from '../../../core/catalogue/bases.ts';
import { filamentWatts, findBulbs, interchangeable, signalFilament } from '../../../core/catalogue/bulbs.ts';
import type { Bulb } from '../../../core/model/bulb.ts';
import type { Lamp } from '../../../core/model/vehicle.ts';
import { amps, volts, watts } from '../../../core/quantities/format.ts';
import { bulbOf } from '../../../core/vehicle/fitment.ts';
import { LampList } from '../../job/lamps/LampList.tsx';
import { useWorkspace } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './Identify.module.css';

/** Which bulb is in each lamp, found by any of its names. */
export default function Identify() {
  const { job, edit, lamp } = useWorkspace();
  const { lamps } = job.vehicle;
  const open = lamps.filter((each) => !job.identified[each.id]);
  const current = lamp ?? open[0] ?? lamps[0];
  return (
    <div className={classes.grid}>
      <LampList
        title="Bulb in each lamp"
        current={current}
        fill={
          open.length === 0
            ? undefined
            : {
                label: open.length === lamps.length ? 'All as listed' : 'The others as listed',
                act: () =>
                  edit('Bulbs as the vehicle left the works', (draft) => {
                    for (const each of open) draft.identified[each.id] = each.stockBulb;
                  }),
              }
        }
        value={(each) => bulbOf(job, each).names[0]}
        note={(each) => (job.identified[each.id] === undefined ? 'as listed, not seen yet' : 'seen')}
      />
      {current && <Finder key={current.id} lamp={current} />}
    </div>
  );
}

function Finder({ lamp }: { lamp: Lamp }) {
  const { job, edit } = useWorkspace();
  const [query, setQuery] = useState('');
  const now = bulbOf(job, lamp);
  const base = baseRecord(lamp.base);
  const found = query.trim() === '' ? findBulbs(lamp.base) : findBulbs(query);
  return (
    <Card title={`${lamp.name}: which bulb is it?`}>
      <p className={classes.base}>
        <b>{base.id}</b>, {base.name.toLowerCase()}. {base.recognise} {base.release}
      </p>
      <TextInput
        label="Find a bulb by any of its names"
        placeholder="P21W, 1156, ba15s, 382"
        value={query}
        onChange={(event) => setQuery(event.currentTarget.value)}
        description={
          query.trim() === '' ? `Shown: every bulb with base ${lamp.base}` : `${found.length} found`
        }
      />
      {found.length === 0 && (
        <p className={classes.none}>
          No bulb of that name is in the catalogue. Try its base, or the number on its cap.
        </p>
      )}
      <ul className={classes.bulbs}>
        {found.map((bulb) => (
          <BulbRow
            key={bulb.id}
            bulb={bulb}
            lamp={lamp}
            chosen={bulb.id === now.id && job.identified[lamp.id] !== undefined}
            choose={() =>
              edit(`${lamp.name} has ${bulb.names[0]}`, (draft) => void (draft.identified[lamp.id] = bulb.id))
            }
          />
        ))}
      </ul>
    </Card>
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
  const { systemVolts } = useWorkspace().job.vehicle;
  const filament = signalFilament(bulb);
  const others = interchangeable(bulb);
  const obstacle =
    bulb.base !== lamp.base
      ? `base ${bulb.base}; this lamp takes ${lamp.base}`
      : bulb.systemVolts !== systemVolts
        ? `made for ${bulb.systemVolts} V; this vehicle has ${systemVolts} V`
        : null;
  return (
    <li className={classes.bulb}>
      <div>
        <b>{bulb.names[0]}</b> <span className="faint">{bulb.names.slice(1).join(', ')}</span>
        <div className="faint">
          {bulb.base}
          {bulb.glass === 'amber' ? ', amber glass' : ''}
          {bulb.filaments.length === 2 ? ', two filaments, bright one' : ''} · {amps(filament.amps)}{' '}
          {filament.ampsOrigin} at {volts(filament.testVolts)}, {watts(filamentWatts(filament))} ·{' '}
          {Math.round(filament.lumens)} lm rated
        </div>
        {others.length > 0 && (
          <div className="faint">
            Interchanges with{' '}
            {others
              .map(
                (other) =>
                  `${other.names[0]}, which draws ${amps(signalFilament(other).amps)} at ${volts(signalFilament(other).testVolts)}`,
              )
              .join('; ')}
          </div>
        )}
        {obstacle && <div className={classes.obstacle}>Not for this lamp: {obstacle}.</div>}
      </div>
      <Button size="sm" variant={chosen ? 'filled' : 'default'} disabled={obstacle !== null} onClick={choose}>
        {chosen ? 'Fitted' : 'It is this'}
      </Button>
    </li>
  );
}
