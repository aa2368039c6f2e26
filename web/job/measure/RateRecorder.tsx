import { Button, Checkbox, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { sourceWords } from '../../../core/formatting/source.ts';
import { STAND_IN_NOTE } from '../../../core/instruments/standInNote.ts';
import { flashRule } from '../../../core/judge/flashRule.ts';
import type { Configuration, TurnFunction } from '../../../core/model/cures.ts';
import type { RateReading } from '../../../core/model/evidence.ts';
import { turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import { fittedNow } from '../../../core/record/fittedNow.ts';
import { FUNCTION_WORDS, mayBeHalf, proofReason, watcherLeft } from '../../../core/record/observations.ts';
import { mayPulse } from '../../../core/simulation/mayPulse.ts';
import { recordedRateWords } from '../../../core/words/recorded.ts';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import { useDesk } from '../workspace.ts';
import { FlashMeter } from './flash/FlashMeter.tsx';
import type { TakenReading } from './flash/flashMethod.ts';
import classes from './RateRecorder.module.css';
import { SidesCompared } from './SidesCompared.tsx';
import { useEvidence } from './useEvidence.ts';

const LIT_CHOICES = [
  { value: 'all', label: 'All' },
  { value: 'some', label: 'Not all' },
  { value: 'none', label: 'None' },
] as const;

/**
 * Measures one function of the vehicle: by taps, ear, camera or file (or type a rate read elsewhere), say whether all
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
  const [taken, setTaken] = useState<TakenReading | null>(null);
  const [round, setRound] = useState(0);
  const [typed, setTyped] = useState<string | number>('');
  const [lit, setLit] = useState<RateReading['lampsLit']>('not-checked');
  const [everyFlash, setEveryFlash] = useState(false);
  const rule = flashRule(job.vehicle.region);
  const typedRate = Number(typed);
  const typedWrong = typed !== '' && !(typedRate >= 1 && typedRate <= 1000);
  const useTyped = typed !== '' && !typedWrong;
  const measured: Pick<RateReading, 'quantity' | 'method' | 'onShare'> | null = useTyped
    ? { quantity: { value: typedRate, unit: '/min', uncertainty: null }, method: 'typed' }
    : taken?.reading.kind === 'rate'
      ? {
          quantity: {
            value: round2(taken.reading.rate.perMinute),
            unit: '/min',
            uncertainty: round2(taken.reading.rate.uncertainty),
          },
          method: taken.method,
          ...(taken.reading.onShare === null ? {} : { onShare: Math.min(1, round2(taken.reading.onShare)) }),
        }
      : null;
  const dark = lit === 'none';
  const half =
    measured?.method === 'tapped' &&
    measured.quantity !== null &&
    mayBeHalf(watcherLeft(job), measured.quantity.value);
  const circuits = turnCircuits(job.vehicle).filter(
    ({ side }) => turnFunction === 'hazard' || turnFunction === `turn-${side}`,
  );
  const record = () => {
    if (!measured && !dark) return;
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
      ...((half && everyFlash) || (taken?.looked && !useTyped) ? { everyFlash: true } : {}),
      lampsLit: lit,
    });
    startAgain();
  };
  const startAgain = () => {
    setTaken(null);
    setRound((before) => before + 1);
    setTyped('');
    setLit('not-checked');
    setEveryFlash(false);
  };
  return (
    <div className={classes.recorder}>
      <FlashMeter pulsed={mayPulse(job.vehicle, circuits)} round={round} onReading={setTaken} />
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
      <SidesCompared configuration={configuration} />
      <p className="faint">
        Allowed: {rule.lowest} to {rule.highest} a minute. {sourceWords(rule.source)}. What a camera, an ear
        or a hand cannot tell apart is said; one look settles it.
      </p>
    </div>
  );
}

/** `88 ± 1 a minute, tapped`, as it stands on record. */
export function RecordedRate({ observation }: { observation: RateReading }) {
  return <>{recordedRateWords(observation, observation.note === STAND_IN_NOTE)}</>;
}

/** What the record says against the rule, in one sentence. */
export function ProofReason({ observation }: { observation: RateReading }) {
  const { job, fitments } = useDesk();
  const fitted = fitments.cured.flasher;
  return <>{proofReason(flashRule(job.vehicle.region), observation, watcherLeft(job), fitted)}</>;
}

function round2(value: number): number {
  return Number(value.toFixed(2));
}
