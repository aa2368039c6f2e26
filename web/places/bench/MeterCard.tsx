import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import {
  type MeterQuantity,
  type MeterReading,
  type NotWritten,
  observationFrom,
} from '../../../core/instruments/fromInstrument.ts';
import { type Spot, spotsOf } from '../../../core/instruments/spots.ts';
import { STAND_IN_NOTE } from '../../../core/instruments/standInNote.ts';
import { type Instrument, readQuantity } from '../../job/instruments/instrument.ts';
import { meterOf, troubleOf, useInstruments } from '../../job/instruments/instruments.ts';
import { usePanel } from '../../job/instruments/usePanel.ts';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import classes from './Bench.module.css';

type Shown = Exclude<MeterQuantity, 'celsius'>;
const QUANTITIES: Record<Shown, { label: string; unit: string; digits: number; name: string }> = {
  volts: { label: 'V', unit: 'V', digits: 2, name: 'Volts to earth' },
  ohms: { label: 'Ω', unit: 'Ω', digits: 1, name: 'Ohms to earth' },
  amps: { label: 'A', unit: 'A', digits: 2, name: 'Amps, by clamp' },
  hertz: { label: 'Hz', unit: 'Hz', digits: 3, name: 'Flashes a second' },
};

const NOT_WRITTEN: Record<NotWritten, string> = {
  'no-figure':
    'The meter shows no figure: the wire is live, or nothing is there to measure. Nothing is written down.',
  'several-on':
    'Several things of this plug are on, or it is fed while ohms are measured: switch one on alone, or all off.',
  'no-cavity': 'Hold the probe to a cavity of a plug: only there a reading tells which wire is which.',
  'compared-only': 'Amps are compared with what was computed, and not written down.',
  'nothing-flashes': 'Nothing flashes there. Put the stalk to one side, or hazard on.',
  'no-lamp': 'A temperature is of a lamp or its resistor.',
  'nothing-on': 'Nothing lights this lamp now.',
};

/** A meter held to places of the vehicle: what it shows, and its reading written where it belongs. */
export function MeterCard() {
  const { job, lamp } = useDesk();
  const panel = usePanel();
  const connected = useInstruments();
  const meter = meterOf(connected);
  const { record } = useEvidence();
  const spots = useMemo(() => spotsOf(job.vehicle), [job.vehicle]);
  const [spotId, setSpotId] = useState(spots[0]?.id ?? '');
  const [quantity, setQuantity] = useState<Shown>('volts');
  const [read, setRead] = useState<MeterReading | null>(null);
  const [typed, setTyped] = useState<string | number>('');
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<{ text: string; trouble: boolean } | null>(null);
  // A lamp tapped on the plan has the probe put on it.
  const inHand = lamp?.id;
  useEffect(() => {
    const there = spots.find((each) => each.lamp?.lampId === inHand && each.lamp?.input !== 'earth');
    if (!there) return;
    setSpotId(there.id);
    setRead(null);
    setTyped('');
    setSaid(null);
  }, [inHand, spots]);
  const spot = spots.find(({ id }) => id === spotId) ?? spots[0];
  const { unit, digits, name } = QUANTITIES[quantity];
  const reset = () => {
    setRead(null);
    setTyped('');
    setSaid(null);
  };
  const measure = async () => {
    if (!meter || !spot) return;
    setBusy(true);
    setSaid(null);
    try {
      if (connected.standIn) await putDown(meter, spot);
      setRead(await readQuantity(meter, quantity, connected.standIn !== null));
      setTyped('');
    } catch (error) {
      setRead(null);
      setSaid({ text: troubleOf(error), trouble: true });
    } finally {
      setBusy(false);
    }
  };
  const figure = typed === '' ? null : Number(typed);
  const reading: MeterReading | null =
    figure !== null && Number.isFinite(figure)
      ? { quantity, now: figure, most: figure, least: figure }
      : read?.quantity === quantity
        ? read
        : null;
  const write = () => {
    if (!reading || !spot) return;
    const observation = observationFrom(job, panel, spot, reading, {
      seconds: 0,
      airCelsius: 20,
      what: 'resistor',
    });
    if (typeof observation === 'string') return setSaid({ text: NOT_WRITTEN[observation], trouble: true });
    const byHand = typed !== '';
    record(`Meter at ${spot.group.toLowerCase()}, ${spot.name}`, {
      ...observation,
      ...(byHand && observation.kind === 'rate' ? { method: 'typed' } : {}),
      ...(connected.standIn && !byHand ? { note: STAND_IN_NOTE } : {}),
    } as never);
    setSaid({ text: WRITTEN[observation.kind], trouble: false });
    setRead(null);
    setTyped('');
  };
  return (
    <Card title="Meter">
      <div className={classes.fields}>
        <NativeSelect
          label="Probe or clamp on"
          value={spot?.id ?? ''}
          onChange={(event) => {
            setSpotId(event.currentTarget.value);
            reset();
          }}
          data={groupsOf(spots)}
        />
        <div>
          <span className={classes.label} id="meter-quantity">
            {name}
          </span>
          <SegmentedControl
            fullWidth
            aria-labelledby="meter-quantity"
            value={quantity}
            onChange={(next) => {
              setQuantity(next as Shown);
              reset();
            }}
            data={Object.entries(QUANTITIES).map(([value, { label }]) => ({ value, label }))}
          />
        </div>
      </div>
      <output className={classes.display} aria-live="polite" aria-label="The meter shows">
        {reading ? (
          <>
            <span>
              <b>{displayed(reading.now, digits)}</b> {Number.isFinite(reading.now) && unit}
            </span>
            {swings(reading) && (
              <span className={classes.swing}>
                to and fro, {displayed(reading.least, digits)} to {displayed(reading.most, digits)} {unit}
              </span>
            )}
          </>
        ) : (
          <b>– –</b>
        )}
        <span className={classes.origin}>
          {typed !== ''
            ? 'typed in'
            : reading
              ? connected.standIn
                ? 'stand-in, computed'
                : 'measured'
              : 'nothing read yet'}
        </span>
      </output>
      <div className={classes.row}>
        {meter && (
          <Button size="md" loading={busy} onClick={measure}>
            Read
          </Button>
        )}
        <DecimalInput
          aria-label={`Type what a meter shows, ${unit}`}
          placeholder={`or type, ${unit}`}
          className={classes.typed}
          value={typed}
          onChange={setTyped}
          hideControls
          min={-60}
          max={1e8}
          clampBehavior="none"
        />
        <Button size="md" variant={meter ? 'default' : 'filled'} disabled={!reading} onClick={write}>
          Write it down
        </Button>
      </div>
      {said && (
        <p role={said.trouble ? 'alert' : 'status'} className={said.trouble ? classes.trouble : classes.done}>
          {said.text}
        </p>
      )}
      <Caution>
        Back-probe rather than pierce; a pierced wire is sealed. Never probe a circuit of an airbag, and
        nothing orange. Ohms with everything off.
      </Caution>
    </Card>
  );
}

const WRITTEN = {
  pin: 'Written down as a reading of this plug: the pin finder and the fault finder count it.',
  rate: 'Written down as a flash rate: say in Prove whether all lamps lit.',
  heat: 'Written down as a temperature.',
} as const;

/** Puts the stand-in's probe where it is wanted; on a real vehicle a hand does. */
async function putDown(meter: Instrument, { id }: Spot): Promise<void> {
  await meter.ask(`ROUTe:PROBe "${id}"`);
}

function groupsOf(spots: readonly Spot[]) {
  const groups = new Map<string, { value: string; label: string }[]>();
  for (const { id, name, group } of spots)
    groups.set(group, [...(groups.get(group) ?? []), { value: id, label: `${group}, ${name}` }]);
  return [...groups].map(([group, items]) => ({ group, items }));
}

function displayed(value: number | null, digits: number): string {
  if (value === null) return 'no figure';
  return Number.isFinite(value) ? value.toFixed(digits) : 'open, over range';
}

function swings({ most, least, quantity }: MeterReading): boolean {
  return most !== null && least !== null && Math.abs(most - least) > (quantity === 'volts' ? 1 : 0.05);
}
