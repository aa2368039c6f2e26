import { Button, Checkbox, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { sourceWords } from '../../../core/formatting/source.ts';
import { flashRule } from '../../../core/judge/flashRule.ts';
import type { Configuration, TurnFunction } from '../../../core/model/cures.ts';
import type { RateReading } from '../../../core/model/evidence.ts';
import { turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { fittedNow } from '../../../core/record/fittedNow.ts';
import { FUNCTION_WORDS, mayBeHalf, proofReason, watcherLeft } from '../../../core/record/observations.ts';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import { useDesk } from '../workspace.ts';
import classes from './RateRecorder.module.css';
import { useEvidence } from './useEvidence.ts';
import { useTaps } from './useTaps.ts';

const LIT_CHOICES = [
  { value: 'all', label: 'All' },
  { value: 'some', label: 'Not all' },
  { value: 'none', label: 'None' },
] as const;

/**
 * Measures one function of the vehicle: tap once a flash (or type a rate read elsewhere), say whether all
 * its lamps lit, record. The reading is kept on screen until it is recorded or cleared.
 */
export function RateRecorder({
  configuration,
  turnFunction,
}: {
  configuration: Configuration;
  turnFunction: TurnFunction;
}) {
  const { job } = useDesk();
  const { record: write } = useEvidence();
  const { taps, reading, tap, clear } = useTaps();
  const [typed, setTyped] = useState<string | number>('');
  const [lit, setLit] = useState<RateReading['lampsLit']>('not-checked');
  const [everyFlash, setEveryFlash] = useState(false);
  const rule = flashRule(job.vehicle.region);
  const typedRate = Number(typed);
  const typedWrong = typed !== '' && !(typedRate >= 1 && typedRate <= 1000);
  const useTyped = typed !== '' && !typedWrong;
  const measured: Pick<RateReading, 'quantity' | 'method'> | null = useTyped
    ? { quantity: { value: typedRate, unit: '/min', uncertainty: null }, method: 'typed' }
    : reading.kind === 'rate'
      ? {
          quantity: {
            value: round(reading.ratePerMinute),
            unit: '/min',
            uncertainty: round(reading.uncertainty),
          },
          method: 'tapped',
        }
      : null;
  const dark = lit === 'none';
  const half =
    measured?.method === 'tapped' &&
    measured.quantity !== null &&
    mayBeHalf(watcherLeft(job), measured.quantity.value);
  const record = () => {
    if (!measured && !dark) return;
    const circuits = turnCircuits(job.vehicle).filter(
      ({ side }) => turnFunction === 'hazard' || turnFunction === `turn-${side}`,
    );
    write(`Record ${FUNCTION_WORDS[turnFunction].toLowerCase()}`, {
      kind: 'rate',
      function: turnFunction,
      on: { lights: false, brake: false, engine: null },
      supply: null,
      fitted: fittedNow(
        job,
        circuits.map(({ id }) => id),
        configuration,
      ),
      ...(measured ?? { quantity: null, method: 'seen' }),
      ...(half && everyFlash ? { everyFlash: true } : {}),
      lampsLit: lit,
    });
    startAgain();
  };
  const startAgain = () => {
    clear();
    setTyped('');
    setLit('not-checked');
    setEveryFlash(false);
  };
  return (
    <div className={classes.recorder}>
      <button type="button" className={classes.tap} onClick={tap}>
        <span className={classes.tapWord}>Tap at each flash</span>
        <span className={classes.tapHint}>
          or <kbd>M</kbd>, {taps} {taps === 1 ? 'tap' : 'taps'} so far
        </span>
      </button>
      <div className={classes.reading} role="status">
        {reading.kind === 'rate' ? (
          <>
            <b>{Math.round(reading.ratePerMinute)}</b> ± {Math.max(1, Math.round(reading.uncertainty))} a
            minute, measured by {reading.flashes} flashes
            {reading.missed > 0 ? `, ${reading.missed} bridged` : ''}
            {reading.doubled > 0 ? `, ${reading.doubled} double tap dropped` : ''}
          </>
        ) : (
          <>
            {taps === 0 ? 'Not measured yet. ' : 'Not sure. '}
            {reading.reason}
          </>
        )}
      </div>
      {half && measured?.quantity && (
        <Checkbox
          checked={everyFlash}
          onChange={(event) => setEveryFlash(event.currentTarget.checked)}
          label={`I looked again: no flash went by between two taps. Every second flash of ${Math.round(2 * measured.quantity.value)} a minute, a lamp missed, would read the same.`}
        />
      )}
      <DecimalInput
        label="Or type a rate read elsewhere"
        suffix=" a minute"
        value={typed}
        onChange={setTyped}
        min={1}
        max={1000}
        clampBehavior="none"
        hideControls
        allowNegative={false}
        decimalScale={1}
        error={typedWrong ? 'Type a rate from 1 to 1000 a minute' : undefined}
      />
      <div>
        <span className={classes.label} id={`lit-${turnFunction}`}>
          Lamps that lit
        </span>
        <SegmentedControl
          fullWidth
          aria-labelledby={`lit-${turnFunction}`}
          data={[...LIT_CHOICES]}
          value={lit === 'not-checked' ? '' : lit}
          onChange={(value) => setLit(value as RateReading['lampsLit'])}
        />
      </div>
      <div className={classes.actions}>
        <Button onClick={record} disabled={(!measured && !dark) || typedWrong} size="md">
          Record {FUNCTION_WORDS[turnFunction].toLowerCase()}
        </Button>
        <Button variant="default" size="md" onClick={startAgain}>
          Clear
        </Button>
      </div>
      <p className="faint">
        Allowed: {rule.lowest} to {rule.highest} a minute. {sourceWords(rule.source)}. A camera’s count
        deceives; the eye and a tap do not.
      </p>
    </div>
  );
}

/** `88 ± 1 a minute, tapped`, as it stands on record. */
export function RecordedRate({ observation }: { observation: RateReading }) {
  if (observation.quantity === null) return <>no rate</>;
  const { value, uncertainty } = observation.quantity;
  return (
    <>
      {Math.round(value)}
      {uncertainty === null ? '' : ` ± ${Math.max(1, Math.round(uncertainty))}`} a minute,{' '}
      {observation.method === 'tapped' ? 'measured' : 'typed in'}
    </>
  );
}

/** What the record says against the rule, in one sentence. */
export function ProofReason({ observation }: { observation: RateReading }) {
  const { job, fitments } = useDesk();
  const fitted = fitments.cured.flasher;
  return <>{proofReason(flashRule(job.vehicle.region), observation, watcherLeft(job), fitted)}</>;
}

function round(value: number): number {
  return Number(value.toFixed(2));
}
