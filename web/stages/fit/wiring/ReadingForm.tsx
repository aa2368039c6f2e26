import { Button, NativeSelect } from '@mantine/core';
import { useState } from 'react';
import type { PinTest } from '../../../../core/model/evidence.ts';
import type { Connector } from '../../../../core/model/vehicle/connector.ts';
import { circuitsToSwitch, functionsAt, switchedName } from '../../../../core/wiring/connectors.ts';
import type { Read } from '../../../../core/wiring/pinFinder/agreement.ts';
import type { NextReading } from '../../../../core/wiring/pinFinder/finder.ts';
import { useDesk } from '../../../job/workspace.ts';
import { DecimalInput } from '../../../ui/DecimalInput.tsx';
import classes from './Wiring.module.css';

const HOW_WORDS: Record<PinTest, string> = {
  volts: 'meter on DC volts, black lead on bare earth',
  peak: 'meter on DC volts, peak-hold',
  'ohms-in': 'meter on ohms to earth, everything off, bulbs in',
  'ohms-out': 'meter on ohms to earth, everything off, the bulbs of this plug out',
  probe: 'fused probe on the loose lamp, its earth on the earth cavity',
};
const HOWS = Object.keys(HOW_WORDS) as PinTest[];

interface ReadingFormProps {
  connector: Connector;
  asked: NextReading;
  /** the last reading is still being counted in */
  counting: boolean;
  suggested: boolean;
  wouldShow: readonly { name: string; shows: string }[];
  /** whether what it would show stands open, from one reading to the next */
  lookingUp: boolean;
  onLookUp(open: boolean): void;
  onChange(next: NextReading): void;
  onTake(read: Read): void;
}

/** One reading: what to measure, and what was seen in a tap or a figure. */
export function ReadingForm({
  connector,
  asked,
  counting,
  suggested,
  wouldShow,
  lookingUp,
  onLookUp,
  onChange,
  onTake,
}: ReadingFormProps) {
  const { job } = useDesk();
  const [figure, setFigure] = useState<number | string>('');
  const ohms = asked.how === 'ohms-in' || asked.how === 'ohms-out';
  const volts = asked.how === 'volts' || asked.how === 'peak';
  const unit = ohms ? 'Ω' : 'V';
  const [least, most] = ohms ? [0, 1e8] : [-60, 60];
  const value = Number(figure);
  const usable = figure !== '' && Number.isFinite(value) && value >= least && value <= most;
  const circuits = circuitsToSwitch(functionsAt(job.vehicle, connector));
  return (
    <div className={classes.reading} aria-busy={counting}>
      <p className={classes.ask}>
        <span className="faint">
          {asked.again
            ? 'Once more, it does not fit the rest'
            : suggested
              ? 'This reading tells most now'
              : 'A reading of your own'}
        </span>
        <b>
          Cavity {asked.cavity}:{' '}
          {asked.circuitId === null
            ? asked.how === 'probe'
              ? 'plug off'
              : 'everything off'
            : `${switchedName(job.vehicle, asked.circuitId)} on`}
        </b>
        {HOW_WORDS[asked.how]}
      </p>
      <fieldset className={classes.taps} disabled={counting} aria-label="What it showed">
        {volts && (
          <>
            <Button variant="default" onClick={() => onTake({ seen: 'bouncing' })}>
              Bounces
            </Button>
            <Button variant="default" onClick={() => onTake({ seen: 'nothing' })}>
              Nothing
            </Button>
          </>
        )}
        {ohms && (
          <Button variant="default" onClick={() => onTake({ seen: 'open' })}>
            Open
          </Button>
        )}
        {asked.how === 'probe' && (
          <>
            {(connector.at.kind === 'lamps' ? connector.at.lampIds : []).flatMap((lampId) => {
              const name = job.vehicle.lamps.find(({ id }) => id === lampId)?.name ?? lampId;
              return (['lit-bright', 'lit-dim'] as const).map((seen) => (
                <Button key={`${lampId}-${seen}`} variant="default" onClick={() => onTake({ seen, lampId })}>
                  {name} {seen === 'lit-bright' ? 'bright' : 'dim'}
                </Button>
              ));
            })}
            <Button variant="default" onClick={() => onTake({ seen: 'dark' })}>
              Dark
            </Button>
          </>
        )}
        {asked.how !== 'probe' && (
          <>
            <DecimalInput
              size="md"
              aria-label={ohms ? 'Ohms shown' : 'Volts shown'}
              placeholder={ohms ? 'ohms' : 'volts, steady'}
              suffix={` ${unit}`}
              hideControls
              value={figure}
              onChange={setFigure}
              error={figure === '' || usable ? null : `${least} to ${most} ${unit}`}
              onKeyDown={(event) => {
                if (event.key === 'Enter' && usable) onTake(figureRead(ohms, value));
              }}
            />
            <Button disabled={!usable} onClick={() => onTake(figureRead(ohms, value))}>
              Take it
            </Button>
          </>
        )}
      </fieldset>
      {wouldShow.length > 0 && (
        <details
          className={classes.would}
          open={lookingUp}
          onToggle={(event) => onLookUp(event.currentTarget.open)}
        >
          <summary>What it would show</summary>
          <ul>
            {wouldShow.map(({ name, shows }) => (
              <li key={name}>
                {name}: {shows}
              </li>
            ))}
          </ul>
        </details>
      )}
      <details className={classes.would}>
        <summary>Measure something else</summary>
        <div className={classes.pick}>
          <NativeSelect
            label="Cavity"
            value={asked.cavity}
            data={connector.cavities.map(({ id }) => id)}
            onChange={(event) => onChange({ ...asked, cavity: event.currentTarget.value })}
          />
          <NativeSelect
            label="Switched on"
            value={asked.circuitId ?? ''}
            data={[
              { value: '', label: 'everything off' },
              ...circuits.map((id) => ({ value: id, label: switchedName(job.vehicle, id) })),
            ]}
            onChange={(event) => onChange({ ...asked, circuitId: event.currentTarget.value || null })}
          />
          <NativeSelect
            label="How"
            value={asked.how}
            data={HOWS.map((how) => ({ value: how, label: HOW_WORDS[how] }))}
            onChange={(event) => onChange({ ...asked, how: event.currentTarget.value as PinTest })}
          />
        </div>
      </details>
    </div>
  );
}

/** A figure as it is written down; so little that a dial would not move is nothing. */
function figureRead(ohms: boolean, value: number): Read {
  if (ohms) return { seen: 'steady', quantity: { value, unit: 'Ω', uncertainty: null } };
  return {
    seen: Math.abs(value) < 0.5 ? 'nothing' : 'steady',
    quantity: { value, unit: 'V', uncertainty: null },
  };
}
