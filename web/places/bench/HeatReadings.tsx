import { Button, NativeSelect, SegmentedControl } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import { fieldText, readQuantity as readTyped, temperature, unitOf } from '../../../core/formatting/units.ts';
import { heatCompared, measuredPlace } from '../../../core/heat/measured.ts';
import { observationFrom } from '../../../core/instruments/fromInstrument.ts';
import { spotsOf } from '../../../core/instruments/spots.ts';
import { STAND_IN_NOTE } from '../../../core/instruments/standInNote.ts';
import { heatReadingsOf } from '../../../core/model/seen.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { networksOf } from '../../../core/simulation/fitment.ts';
import { type Instrument, readQuantity } from '../../job/instruments/instrument.ts';
import { troubleOf, useInstruments } from '../../job/instruments/instruments.ts';
import { usePanel } from '../../job/instruments/usePanel.ts';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { useDraft } from '../../store/draft.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import { QuantityInput } from '../../ui/QuantityInput.tsx';
import classes from './Bench.module.css';

const ReadingsChart = lazy(() => import('./ReadingsChart.tsx'));

interface Typed {
  lampId: string;
  what: 'resistor' | 'housing';
  celsius: string;
  air: string;
  minutes: string;
  /** the stand-in's thermometer showed it */
  read: boolean;
}

/** Temperatures of resistors and housings with their time, beside the curve that was predicted. */
export default function HeatReadings() {
  const { job } = useDesk();
  const { standIn } = useInstruments();
  const panel = usePanel();
  const { record } = useEvidence();
  const withResistor = new Set(networksOf(job).map(({ lampId }) => lampId));
  const lamps = job.vehicle.lamps.toSorted(
    (a, b) => Number(withResistor.has(b.id)) - Number(withResistor.has(a.id)),
  );
  // Where it was measured last it goes on.
  const fresh: Typed = {
    lampId: heatReadingsOf(job).at(-1)?.lampId ?? lamps[0]?.id ?? '',
    what: withResistor.size > 0 ? 'resistor' : 'housing',
    celsius: '',
    air: fieldText('temperature', 20),
    minutes: '',
    read: false,
  };
  // Figures are of the unit they were typed in.
  const [typed, set] = useDraft(`heat-${job.id}-${unitOf('temperature')}`, fresh);
  const { what, celsius, air, minutes, read } = typed;
  const lampId = lamps.some(({ id }) => id === typed.lampId) ? typed.lampId : fresh.lampId;
  const put = (more: Partial<Typed>) => set((now) => ({ ...now, ...more }));
  const [said, setSaid] = useState<string | null>(null);
  const figures = {
    celsius: readTyped('temperature', celsius) ?? Number.NaN,
    air: readTyped('temperature', air) ?? Number.NaN,
    minutes: Number(minutes),
  };
  const wrong =
    celsius === '' || minutes === '' || air === ''
      ? 'Temperature, air and time are wanted.'
      : !(figures.celsius >= -60 && figures.celsius <= 400) || !(figures.air >= -60 && figures.air <= 80)
        ? `Type degrees: air ${temperature(-60)} to ${temperature(80)}, what is measured ${temperature(-60)} to ${temperature(400)}.`
        : !(figures.minutes >= 0 && figures.minutes <= 1440)
          ? 'Type the minutes since it was switched on, 0 to 1440.'
          : null;
  const spot = spotsOf(job.vehicle).find((each) => each.lamp?.lampId === lampId);
  const measure = async () => {
    setSaid(null);
    if (!standIn || !spot) return;
    try {
      await standIn.meter.ask(`ROUTe:PROBe "${spot.id}"`);
      await setAhead(standIn.meter, 60 * (minutes === '' ? 10 : figures.minutes));
      const { now } = await readQuantity(standIn.meter, 'celsius', false);
      if (minutes === '') put({ minutes: '10' });
      if (now === null)
        return setSaid('Nothing there gets warm: no resistor is fitted as the vehicle stands.');
      put({ celsius: fieldText('temperature', now), air: fieldText('temperature', 20), read: true });
    } catch (error) {
      setSaid(troubleOf(error));
    }
  };
  const write = () => {
    if (wrong || !spot) return;
    const observation = observationFrom(
      job,
      panel,
      spot,
      { quantity: 'celsius', now: figures.celsius, most: figures.celsius, least: figures.celsius },
      { seconds: Math.round(60 * figures.minutes), airCelsius: figures.air, what },
    );
    if (typeof observation === 'string')
      return setSaid(
        'Nothing lights this lamp as the vehicle stands beside it: switch on what it was measured with.',
      );
    record(`Temperature at ${lampById(job.vehicle, lampId).name.toLowerCase()}`, {
      ...observation,
      ...(read ? { note: STAND_IN_NOTE } : { method: 'typed' }),
    } as never);
    put({ lampId, celsius: '', read: false });
    setSaid(null);
  };
  const compared = heatCompared(job, lampId);
  const place = measuredPlace(job, lampId);
  const all = heatReadingsOf(job);
  return (
    <div className={classes.stack}>
      <Card title="Temperatures">
        <div className={classes.fields}>
          <NativeSelect
            label="At"
            value={lampId}
            onChange={(event) => put({ lampId: event.currentTarget.value })}
            data={lamps.map(({ id, name }) => ({
              value: id,
              label: withResistor.has(id) ? `${name}, resistor` : name,
            }))}
          />
          <div>
            <span className={classes.label} id="heat-what">
              What is measured
            </span>
            <SegmentedControl
              fullWidth
              aria-labelledby="heat-what"
              value={what}
              onChange={(next) => put({ what: next as typeof what })}
              data={[
                { value: 'resistor', label: 'Resistor case' },
                { value: 'housing', label: 'Lamp housing' },
              ]}
            />
          </div>
          <QuantityInput
            quantity="temperature"
            label="Temperature"
            value={celsius}
            onText={(next) => put({ celsius: next, read: false })}
          />
          <QuantityInput
            quantity="temperature"
            label="Air around it"
            value={air}
            onText={(next) => put({ air: next })}
          />
          <DecimalInput
            label="Minutes since switched on"
            suffix=" min"
            hideControls
            clampBehavior="none"
            value={minutes}
            onChange={(next) => put({ minutes: String(next) })}
          />
        </div>
        {wrong && celsius !== '' && (
          <p role="alert" className={classes.trouble}>
            {wrong}
          </p>
        )}
        {said && (
          <p role="alert" className={classes.trouble}>
            {said}
          </p>
        )}
        <div className={classes.row}>
          {standIn && what === 'resistor' && (
            <Button variant="default" onClick={measure}>
              Read the stand-in’s thermometer
            </Button>
          )}
          <Button disabled={wrong !== null} onClick={write}>
            Write it down
          </Button>
        </div>
        <Caution>
          Measure with a thermometer before a hand goes near: no curve and no reading of another day says that
          something may be touched. What is on stands in the driver’s panel beside it.
        </Caution>
      </Card>
      {compared.length > 0 && (
        <Card title={`${lampById(job.vehicle, lampId).name}: measured against predicted`}>
          <Suspense fallback={<p className="faint">Drawing the curve.</p>}>
            <ReadingsChart compared={compared} factor={place.factor} />
          </Suspense>
          <p>
            {place.state === 'typical'
              ? 'No hotter than predicted so far. Predictions stay as they are: fewer than three readings that agree lower nothing.'
              : place.state === 'raised'
                ? `Measured ${place.factor.toFixed(2)} times the predicted rise: every prediction at this place, and its verdict, goes by that now. Three readings that agree would settle it.`
                : `Three readings agree: ${place.factor.toFixed(2)} times the predicted rise. Predictions at this place go by them.`}
          </p>
        </Card>
      )}
      {all.length > 0 && (
        <Card title="On record">
          <SeenList seen={all.toReversed()} what="a temperature">
            {(each) => (
              <>
                {lampById(job.vehicle, each.lampId).name}, {each.what}, after {Math.round(each.seconds / 60)}{' '}
                min: <b>{temperature(each.quantity.value)}</b> in air of {temperature(each.airCelsius)}
                {each.note ? ` (${each.note})` : ''}
              </>
            )}
          </SeenList>
        </Card>
      )}
    </div>
  );
}

/** Sets the stand-in's clock ahead to so long since the panel was touched: nobody waits ten minutes for a simulation. */
async function setAhead(meter: Instrument, seconds: number): Promise<void> {
  const more = Math.min(7200, seconds - Number(await meter.ask('SYSTem:TIME?')));
  if (more > 0) await meter.ask(`SYSTem:TIME:ADVance ${more.toFixed(1)}`);
}
