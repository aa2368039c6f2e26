import { Button, NativeSelect, NumberInput, TextInput } from '@mantine/core';
import { randomId, useLocalStorage } from '@mantine/hooks';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { amps, volts } from '../../../core/formatting/format.ts';
import { seenAmps } from '../../../core/judge/learned.ts';
import { fittedWords } from '../../../core/judge/priors.ts';
import type { Finding } from '../../../core/model/job.ts';
import { lampById, lampIdsOf } from '../../../core/model/vehicle/lookUp.ts';
import { useDesk } from '../../job/workspace.ts';
import { db } from '../../store/db.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import classes from './LearnCard.module.css';
import { PriorsCard } from './PriorsCard.tsx';
import { RESULTS } from './results.ts';
import { useAnalysis } from './useAnalysis.ts';

type Tried = 'leds' | 'cured' | 'stock';

/** What the watcher was seen to do with what was fitted: each finding narrows where its threshold can be. */
export function LearnCard() {
  const { job, circuit, edit } = useDesk();
  const analysis = useAnalysis();
  const { vehicle } = job;
  const [tried, setTried] = useState<Tried>('leds');
  const [out, setOut] = useState('');
  const [at, setAt] = useState<string | number>((1.05 * job.vehicle.systemVolts).toFixed(1));
  const [result, setResult] = useState<Finding['result']>('normal');
  // Whoever works here stays the same from job to job.
  const [by, setBy] = useLocalStorage({ key: 'vumble-seen-by', defaultValue: '' });
  const findings = job.findings ?? [];
  const { bands, learned } = analysis.likeliest;
  const contradiction = learned?.contradiction(circuit) ?? null;
  const typed = Number(at);
  const [low, high] = [vehicle.systemVolts * 0.75, vehicle.systemVolts * 1.35];
  const fits = at !== '' && typed >= low && typed <= high;
  const band = (with_: boolean) => (with_ && learned ? learned.at(circuit, typed) : bands.at(circuit, typed));
  const others = useLiveQuery(async () => {
    const rows = await db.jobs.toArray();
    return rows
      .filter(
        (row) =>
          row.deleted === 0 &&
          row.id !== job.id &&
          row.job.vehicle.model === vehicle.model &&
          (row.job.findings?.length ?? 0) > 0,
      )
      .map((row) => row.job);
  }, [job.id, vehicle.model]);
  const record = () => {
    const lampIds = lampIdsOf(circuit);
    const finding: Finding = {
      id: randomId('finding-'),
      at: new Date().toISOString(),
      circuitId: circuit.id,
      fitted: Object.fromEntries(
        lampIds.map((id) => [id, tried === 'stock' ? null : (job.chosen[id] ?? null)]),
      ),
      networks: tried === 'cured' ? (job.cures[circuit.id]?.networks ?? []) : [],
      out: out === '' ? [] : [out],
      lights: false,
      supplyVolts: typed,
      result,
      ...(by.trim() === '' ? {} : { by: by.trim() }),
    };
    edit(`Seen: ${RESULTS[result]}`, (draft) => {
      draft.findings = [...(draft.findings ?? []), finding];
    });
  };
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
        <NumberInput
          label="Supply, measured"
          suffix=" V"
          value={at}
          decimalScale={1}
          step={0.1}
          allowNegative={false}
          allowedDecimalSeparators={['.', ',']}
          error={fits ? undefined : `Type the volts read, ${low} to ${high.toFixed(1)}`}
          onChange={setAt}
        />
        <NativeSelect
          label="It"
          value={result}
          data={Object.entries(RESULTS).map(([value, label]) => ({ value, label }))}
          onChange={(event) => setResult(event.currentTarget.value as Finding['result'])}
        />
        <TextInput
          label="Seen by"
          maxLength={80}
          value={by}
          onChange={(event) => setBy(event.currentTarget.value)}
        />
        <Button onClick={record} disabled={!fits}>
          Record it
        </Button>
      </div>
      {fits && (
        <p>
          At {volts(typed)} the threshold lies from {amps(band(true).lowAmps)} to {amps(band(true).highAmps)}
          {findings.length > 0 &&
            `; the stock bulbs alone would say ${amps(band(false).lowAmps)} to ${amps(band(false).highAmps)}`}
          . Computed.
        </p>
      )}
      {contradiction && (
        <Caution>{contradiction.text} Until one of them is taken back they teach nothing.</Caution>
      )}
      {findings.length > 0 && (
        <ul className={classes.findings}>
          {findings.map((finding) => (
            <FindingRow
              key={finding.id}
              finding={finding}
              suspect={contradiction?.suspects.some((each) => each.id === finding.id) ?? false}
            />
          ))}
        </ul>
      )}
      {others && <PriorsCard others={others} at={fits ? typed : vehicle.systemVolts} />}
    </Card>
  );
}

function FindingRow({ finding, suspect }: { finding: Finding; suspect: boolean }) {
  const { job, shelf, edit } = useDesk();
  const seen = seenAmps(job, shelf, finding);
  return (
    <li data-suspect={suspect}>
      <span>
        {fittedWords(job, shelf, finding)} at {volts(finding.supplyVolts)}: {RESULTS[finding.result]}
        <span className="faint">
          {' '}
          {seen
            ? `so the watcher saw ${amps(seen.low)}${seen.high - seen.low > 0.01 ? ` to ${amps(seen.high)}` : ''}, computed`
            : 'which cannot be computed any more'}
          {finding.by ? `; seen by ${finding.by}` : ''}
          {finding.from ? `; from ${finding.from.job}` : ''}
        </span>
      </span>
      <Button
        size="xs"
        variant="subtle"
        onClick={() =>
          edit('Take back a finding', (draft) => {
            draft.findings = (draft.findings ?? []).filter((each) => each.id !== finding.id);
          })
        }
      >
        Take it back
      </Button>
    </li>
  );
}
