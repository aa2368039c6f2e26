import { Button, Checkbox, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { amps, volts } from '../../../core/formatting/format.ts';
import { seenAmps, suppliesOf } from '../../../core/judge/learned.ts';
import { fittedWords } from '../../../core/judge/priors.ts';
import { ownWatcherSeen } from '../../../core/judge/watcherSeen.ts';
import type { WatcherTrial } from '../../../core/model/evidence.ts';
import { lampById, lampIdsOf, seenOn } from '../../../core/model/vehicle/lookUp.ts';
import { fittedNow } from '../../../core/record/fittedNow.ts';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useAlike } from '../../job/useAlike.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { DecimalInput } from '../../ui/DecimalInput.tsx';
import classes from './LearnCard.module.css';
import { PriorsCard } from './PriorsCard.tsx';
import { RESULTS, supplyWords } from './results.ts';
import { useAnalysis } from './useAnalysis.ts';

type Tried = 'leds' | 'cured' | 'stock';

/** What the watcher was seen to do with what was fitted: each finding narrows where its threshold can be. */
export function LearnCard() {
  const { job, circuit } = useDesk();
  const { by, setBy, record } = useEvidence();
  const analysis = useAnalysis();
  const { vehicle } = job;
  const [tried, setTried] = useState<Tried>('leds');
  const [out, setOut] = useState('');
  const [at, setAt] = useState<string | number>((1.05 * job.vehicle.systemVolts).toFixed(1));
  const [result, setResult] = useState<WatcherTrial['result']>('normal');
  const [lights, setLights] = useState(false);
  const trials = ownWatcherSeen(job);
  const { bands, learned } = analysis.likeliest;
  const contradiction = learned?.contradiction(circuit) ?? null;
  const typed = Number(at);
  const [low, high] = [vehicle.systemVolts * 0.75, vehicle.systemVolts * 1.35];
  const fits = at !== '' && typed >= low && typed <= high;
  const band = (with_: boolean) => (with_ && learned ? learned.at(circuit, typed) : bands.at(circuit, typed));
  const others = useAlike(job);
  const write = () =>
    record(`Seen: ${RESULTS[result]}`, {
      kind: 'trial',
      circuitId: seenOn(job.vehicle, circuit).id,
      on: { lights, brake: false, engine: null },
      supply: { fromVolts: typed, toVolts: typed },
      fitted: { ...fittedNow(job, [circuit.id], tried), out: out === '' ? [] : [out] },
      result,
    });
  return (
    <Card title="What it was seen to do: the band learns">
      <div className={classes.form}>
        <NativeSelect
          label="Fitted then"
          value={tried}
          data={[
            { value: 'leds', label: 'the LEDs as chosen, no resistor' },
            { value: 'cured', label: 'the LEDs with their resistors as planned' },
            { value: 'stock', label: 'the stock bulbs' },
          ]}
          onChange={(event) => setTried(event.currentTarget.value as Tried)}
        />
        <NativeSelect
          label="Out of its socket"
          value={out}
          data={[
            { value: '', label: 'none' },
            ...lampIdsOf(circuit).map((id) => ({ value: id, label: lampById(vehicle, id).name })),
          ]}
          onChange={(event) => setOut(event.currentTarget.value)}
        />
        <DecimalInput
          label="Supply, measured"
          suffix=" V"
          value={at}
          decimalScale={1}
          step={0.1}
          allowNegative={false}
          error={fits ? undefined : `Type the volts read, ${low} to ${high.toFixed(1)}`}
          onChange={setAt}
        />
        <NativeSelect
          label="It"
          value={result}
          data={Object.entries(RESULTS).map(([value, label]) => ({ value, label }))}
          onChange={(event) => setResult(event.currentTarget.value as WatcherTrial['result'])}
        />
        <TextInput
          label="Seen by"
          maxLength={80}
          value={by}
          onChange={(event) => setBy(event.currentTarget.value)}
        />
        <Checkbox
          label="Lights on"
          checked={lights}
          onChange={(event) => setLights(event.currentTarget.checked)}
        />
        <Button onClick={write} disabled={!fits}>
          Record it
        </Button>
      </div>
      {fits && (
        <p>
          At {volts(typed)} the threshold lies from {amps(band(true).lowAmps)} to {amps(band(true).highAmps)}
          {trials.length > 0 &&
            `; the stock bulbs alone would say ${amps(band(false).lowAmps)} to ${amps(band(false).highAmps)}`}
          . Computed.
        </p>
      )}
      {contradiction && (
        <Caution>{contradiction.text} Until one of them is taken back they teach nothing.</Caution>
      )}
      {trials.length > 0 && (
        <SeenList
          seen={trials}
          what="a trial"
          isSuspect={(each) => contradiction?.suspects.some(({ id }) => id === each.id) ?? false}
        >
          {(trial) => <TrialWords trial={trial} />}
        </SeenList>
      )}
      {others && <PriorsCard others={others} at={fits ? typed : vehicle.systemVolts} />}
    </Card>
  );
}

function TrialWords({ trial }: { trial: WatcherTrial }) {
  const { job, shelf } = useDesk();
  const seen = suppliesOf(trial, job.vehicle.systemVolts).flatMap(
    (at) => seenAmps(job, shelf, trial, at) ?? [],
  );
  const low = Math.min(...seen.map((each) => each.low));
  const high = Math.max(...seen.map((each) => each.high));
  return (
    <>
      {fittedWords(job, shelf, trial)}
      {trial.supply ? ` at ${supplyWords(trial.supply)}` : ''}
      {trial.on?.lights ? ', lights on' : ''}: {RESULTS[trial.result]}
      <span className="faint">
        {' '}
        {seen.length > 0
          ? `so the watcher saw ${amps(low)}${high - low > 0.01 ? ` to ${amps(high)}` : ''}, computed;`
          : 'which cannot be computed any more;'}
      </span>
    </>
  );
}
