import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import { STANDARD_WATTS } from '../../../core/catalogue/eSeries.ts';
import { ohms as ohmsText, watts as wattsText } from '../../../core/formatting/format.ts';
import { lampIdsOf } from '../../../core/model/vehicle/lookUp.ts';
import { resistorsOf } from '../../../core/simulation/fitment.ts';
import { useDesk } from '../../job/workspace.ts';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import classes from './OwnResistors.module.css';
import { useChooseCure } from './useChooseCure.ts';

/** Resistors of one's own, at the lamps one names: judged like any others, also when they will not do. */
export function OwnResistors() {
  const { job, shelf, circuit } = useDesk();
  const choose = useChooseCure();
  const [ohms, setOhms] = useState<string | number>(6);
  const [watts, setWatts] = useState<string>('50');
  const lamps = lampIdsOf(circuit).flatMap((id) =>
    job.vehicle.lamps.filter((lamp) => lamp.id === id && lamp.role === 'main'),
  );
  const [where, setWhere] = useState('every');
  const value = Number(ohms);
  const wrong = ohms === '' || !(value >= 0.1 && value <= 1000);
  const at = lamps.filter((lamp) => where === 'every' || lamp.end === where);
  const judge = () => {
    const part = resistorsOf(shelf).find((each) => each.ohms === value && each.watts === Number(watts));
    const piece = {
      partId: part?.id ?? null,
      ohms: value,
      watts: Number(watts),
      tolerance: part?.tolerance ?? 0.05,
    };
    choose(
      {
        kind: 'load-resistor',
        networks: at.map((lamp) => ({ lampId: lamp.id, connection: 'parallel', pieces: [piece] })),
      },
      `${ohmsText(value)} ${wattsText(Number(watts))} at ${where === 'every' ? 'every main lamp' : `the ${where} lamp`}`,
    );
  };
  return (
    <details className={classes.own}>
      <summary>Judge resistors of your own</summary>
      <div className={classes.fields}>
        <DecimalInput
          label="Value"
          suffix=" Ω"
          value={ohms}
          onChange={setOhms}
          min={0.1}
          max={1000}
          clampBehavior="none"
          allowNegative={false}
          decimalScale={2}
          error={wrong ? 'Type 0.1 to 1000 Ω' : undefined}
        />
        <NativeSelect
          label="Printed watts"
          value={watts}
          onChange={(event) => setWatts(event.currentTarget.value)}
          data={STANDARD_WATTS.map((size) => ({ value: String(size), label: `${size} W` }))}
        />
        <NativeSelect
          label="At"
          value={where}
          onChange={(event) => setWhere(event.currentTarget.value)}
          data={[
            { value: 'every', label: 'every main lamp' },
            ...lamps.map((lamp) => ({ value: lamp.end, label: `the ${lamp.end} lamp only` })),
          ]}
        />
        <Button variant="default" onClick={judge} disabled={wrong || at.length === 0}>
          Judge these
        </Button>
      </div>
    </details>
  );
}
