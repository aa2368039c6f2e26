import { Button, NativeSelect, SegmentedControl, TextInput } from '@mantine/core';
import { useState } from 'react';
import {
  distance,
  fieldText,
  illuminance,
  length,
  type Quantity,
  readQuantity,
  unitOf,
} from '../../../core/formatting/units.ts';
import { STAND_IN_NOTE } from '../../../core/instruments/standInNote.ts';
import type { BeforeAfter } from '../../../core/model/evidence.ts';
import { standing } from '../../../core/model/seen.ts';
import { lampById } from '../../../core/model/vehicle/lookUp.ts';
import { candelaWords, luxWords, ratioWords } from '../../../core/record/lightWords.ts';
import { candelaOf, lampLux, leftOverRight, lightSpots } from '../../../core/record/measuredLight.ts';
import { readLux } from '../../job/instruments/instrument.ts';
import { troubleOf, useInstruments } from '../../job/instruments/instruments.ts';
import { usePanel } from '../../job/instruments/usePanel.ts';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { useDraft } from '../../store/draft.ts';
import { Card } from '../../ui/Card.tsx';
import { QuantityInput } from '../../ui/QuantityInput.tsx';
import { Scrolls } from '../../ui/Scrolls.tsx';
import classes from './Bench.module.css';
import { PhotoPair } from './PhotoPair.tsx';

const ROOM = 'room';
/** What was typed, in its stored unit: null of an empty field, not a number of what is none. */
const figureOf = (quantity: Quantity, typed: string) =>
  typed.trim() === '' ? null : (readQuantity(quantity, typed) ?? Number.NaN);

interface Typed {
  where: string;
  spot: string;
  when: BeforeAfter;
  lux: string;
  ambient: string;
  metres: string;
  width: string;
  /** the stand-in's meter showed it */
  read: boolean;
}
const FRESH: Omit<Typed, 'where'> = {
  spot: 'on its axis',
  when: 'after',
  lux: '',
  ambient: '',
  metres: '',
  width: '',
  read: false,
};

/** Lux before and after at one spot, the surroundings taken off; candela where the inverse square holds; left against right. */
export default function LightCard() {
  const { job } = useDesk();
  const { standIn } = useInstruments();
  const panel = usePanel();
  const { record } = useEvidence();
  const lamps = job.vehicle.lamps;
  // Figures are of the units they were typed in.
  const units = `${unitOf('light')}-${unitOf('distance')}-${unitOf('length')}`;
  const first = lamps[0]?.id ?? ROOM;
  const [typed, set] = useDraft(`light-${job.id}-${units}`, { ...FRESH, where: first });
  const where = [...lamps.map(({ id }) => id), ROOM].includes(typed.where) ? typed.where : first;
  const { spot, when, lux, ambient, metres, width, read } = typed;
  const put = (more: Partial<Typed>) => set((now) => ({ ...now, ...more }));
  const [trouble, setTrouble] = useState<string | null>(null);
  const lampId = where === ROOM ? null : where;
  const figures = {
    lux: figureOf('light', lux),
    ambient: figureOf('light', ambient),
    metres: figureOf('distance', metres),
    width: figureOf('length', width),
  };
  const wrong =
    figures.metres !== null && !(figures.metres >= 0.01 && figures.metres <= 100)
      ? `Type the distance, ${distance(0.01)} to ${distance(100)}.`
      : figures.width !== null && !(figures.width >= 1 && figures.width <= 2000)
        ? `Type how wide what shines is, ${length(1)} to ${length(2000)}.`
        : Number.isNaN(figures.lux) || Number.isNaN(figures.ambient)
          ? `Type the light as a figure, in ${unitOf('light')}.`
          : figures.ambient !== null && figures.lux !== null && figures.ambient > figures.lux
            ? 'More light with the lamp off than on: the two are exchanged, or something else was lit.'
            : spot.trim() === ''
              ? 'Say where the meter was: only readings at one spot are compared.'
              : null;
  const write = () => {
    if (figures.lux === null || wrong) return;
    record(`Light of ${lampId ? lampById(job.vehicle, lampId).name.toLowerCase() : 'the room'}`, {
      kind: 'light',
      lampId,
      spot: spot.trim(),
      when,
      ...(lampId ? { partId: when === 'after' ? (job.chosen[lampId] ?? null) : null } : {}),
      quantity: { value: figures.lux, unit: 'lx', uncertainty: null },
      ambientLux: figures.ambient,
      metres: figures.metres,
      lampMillimetres: lampId ? figures.width : null,
      ...(read ? { note: STAND_IN_NOTE } : {}),
    });
    put({ where, lux: '', read: false });
  };
  const measure = async () => {
    setTrouble(null);
    if (!standIn || !lampId) return;
    try {
      await standIn.meter.ask(`ROUTe:PROBe "lamp:${lampId}:main"`);
      await standIn.meter.ask(`SENSe:DISTance ${figures.metres ?? 1}`);
      await standIn.meter.ask('SENSe:AMBient 2');
      const shown = await readLux(standIn.meter);
      put({
        ...(figures.metres === null ? { metres: fieldText('distance', 1) } : {}),
        ambient: fieldText('light', 2),
        lux: shown === null ? '' : fieldText('light', shown),
        read: true,
      });
    } catch (error) {
      setTrouble(troubleOf(error));
    }
  };
  return (
    <div className={classes.stack}>
      <Card title="Light at a spot">
        <div className={classes.fields}>
          <NativeSelect
            label="Of"
            value={where}
            onChange={(event) => put({ where: event.currentTarget.value })}
            data={[
              ...lamps.map(({ id, name }) => ({ value: id, label: name })),
              { value: ROOM, label: 'a room' },
            ]}
          />
          <TextInput
            label="Where the meter is"
            maxLength={160}
            value={spot}
            onChange={(event) => put({ spot: event.currentTarget.value })}
          />
          <div>
            <span className={classes.label} id="light-when">
              Before or after the work
            </span>
            <SegmentedControl
              fullWidth
              aria-labelledby="light-when"
              value={when}
              onChange={(next) => put({ when: next as BeforeAfter })}
              data={[
                { value: 'before', label: 'Before' },
                { value: 'after', label: 'After' },
              ]}
            />
          </div>
          <QuantityInput
            quantity="light"
            label="Light, as the meter shows"
            value={lux}
            onText={(next) => put({ lux: next, read: false })}
          />
          <QuantityInput
            quantity="light"
            label="With the lamp off"
            description="same spot; it is taken off"
            value={ambient}
            onText={(next) => put({ ambient: next })}
          />
          <QuantityInput
            quantity="distance"
            label="Lens to meter, by tape"
            value={metres}
            onText={(next) => put({ metres: next })}
          />
          {lampId && (
            <QuantityInput
              quantity="length"
              label="What shines is so wide"
              description="candela need five times that"
              value={width}
              onText={(next) => put({ width: next })}
            />
          )}
        </div>
        {wrong && lux !== '' && (
          <p role="alert" className={classes.trouble}>
            {wrong}
          </p>
        )}
        {trouble && (
          <p role="alert" className={classes.trouble}>
            {trouble}
          </p>
        )}
        <div className={classes.row}>
          {standIn && lampId && (
            <Button variant="default" onClick={measure}>
              Read the stand-in’s lux meter
            </Button>
          )}
          <Button disabled={figures.lux === null || wrong !== null} onClick={write}>
            Write it down
          </Button>
        </div>
        <p className="faint">
          {standIn
            ? `Stand-in: its lamps shine alike all round, which is invented; ${panel.configuration === 'stock' ? 'with the stock bulbs' : 'with the LEDs'} as the vehicle stands beside it, in surroundings of ${illuminance(2)}.`
            : 'Same spot, same distance, same surroundings, engine running for both. A hand meter is taken to be off by 5 %, from memory.'}
        </p>
      </Card>
      <Spots />
      <PhotoPair />
      <LightOnRecord />
    </div>
  );
}

/** What was measured, spot by spot. */
function Spots() {
  const { job } = useDesk();
  const spots = lightSpots(job);
  const pairs = leftOverRight(job);
  if (spots.length === 0) return null;
  const name = (id: string | null) => (id === null ? 'room' : lampById(job.vehicle, id).name);
  return (
    <Card title="Before and after">
      <Scrolls label="Light at each spot">
        <table className={classes.table}>
          <thead>
            <tr>
              <th>Of</th>
              <th>Spot</th>
              <th>Before</th>
              <th>After</th>
              <th>Ratio</th>
              <th>Candela after</th>
            </tr>
          </thead>
          <tbody>
            {spots.map(({ lampId, spot, before, after, ratio, photographed }) => (
              <tr key={`${lampId} ${spot}`}>
                <td>{name(lampId)}</td>
                <td>{spot}</td>
                <td>{before ? luxWords(lampLux(before)) : 'not read'}</td>
                <td>{after ? luxWords(lampLux(after)) : 'not read'}</td>
                <td>
                  {ratio ? ratioWords(ratio) : 'both are wanted'}
                  {photographed &&
                    ` By photographs ${ratioWords({ value: photographed.quantity.value, uncertainty: photographed.quantity.uncertainty ?? 0 })}.`}
                </td>
                <td>{after ? candelaWords(candelaOf(after)) : '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
      {pairs.map(({ left, ratio }) => (
        <p key={`${left.lampId} ${left.when}`}>
          {name(left.lampId)} against the right, {left.when} the work: {ratioWords(ratio)}.
        </p>
      ))}
      <p className="faint">Lux as measured, the surroundings taken off; 95 % intervals.</p>
    </Card>
  );
}

function LightOnRecord() {
  const { job } = useDesk();
  const seen = standing(job).filter((each) => each.kind === 'light' || each.kind === 'light-ratio');
  if (seen.length === 0) return null;
  return (
    <Card title="On record">
      <SeenList seen={seen.toReversed()} what="a reading of light">
        {(each) =>
          each.kind === 'light' ? (
            <>
              {each.lampId ? lampById(job.vehicle, each.lampId).name : 'Room'}, {each.spot}, {each.when}:{' '}
              <b>{illuminance(each.quantity.value)}</b>
              {each.note ? ` (${each.note})` : ''}
            </>
          ) : (
            <>
              {lampById(job.vehicle, each.lampId).name}, {each.spot}:{' '}
              <b>{each.quantity.value.toFixed(1)} times</b>, by photographs
            </>
          )
        }
      </SeenList>
    </Card>
  );
}
