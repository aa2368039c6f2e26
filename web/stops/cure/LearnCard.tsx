import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { randomId } from '@mantine/hooks';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import type { Finding } from '../../../core/model/job.ts';
import { lampById, lampIdsOf, turnCircuits } from '../../../core/model/vehicle/vehicle.ts';
import { amps, ohms, volts } from '../../../core/quantities/format.ts';
import { learnedBands, seenAmps } from '../../../core/verdict/learned.ts';
import { healthyBands } from '../../../core/verdict/outageBand.ts';
import { useDesk } from '../../job/workspace.ts';
import { db } from '../../store/db.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import classes from './LearnCard.module.css';

const RESULTS: Record<Finding['result'], string> = {
  normal: 'flashed normally, no message',
  fast: 'flashed fast',
  message: 'gave a bulb message',
};
type Tried = 'leds' | 'cured' | 'stock';

/** What the watcher was seen to do with what was fitted: each finding narrows where its threshold can be. */
export function LearnCard() {
  const { job, shelf, circuit, edit } = useDesk();
  const { vehicle } = job;
  const [tried, setTried] = useState<Tried>('leds');
  const [out, setOut] = useState('');
  const [at, setAt] = useState<string | number>((1.05 * job.vehicle.systemVolts).toFixed(1));
  const [result, setResult] = useState<Finding['result']>('normal');
  const findings = job.findings ?? [];
  const learned = useMemo(() => learnedBands(job, shelf, healthyBands(job)), [job, shelf]);
  const contradiction = learned?.contradiction(circuit) ?? null;
  const typed = Number(at);
  const [low, high] = [vehicle.systemVolts * 0.75, vehicle.systemVolts * 1.35];
  const fits = at !== '' && typed >= low && typed <= high;
  const band = (with_: boolean) =>
    with_ && learned ? learned.at(circuit, typed) : healthyBands(job).at(circuit, typed);
  const others = useLiveQuery(async () => {
    const rows = await db.jobs.toArray();
    return rows.filter(
      (row) =>
        row.deleted === 0 &&
        row.id !== job.id &&
        row.job.vehicle.model === vehicle.model &&
        (row.job.findings?.length ?? 0) > 0,
    );
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
      {others && others.length > 0 && (
        <div className={classes.others}>
          <b>Found on others of this model</b>
          <ul>
            {others.flatMap(({ job: other }) =>
              (other.findings ?? []).map((finding) => (
                <li key={`${other.id} ${finding.id}`}>
                  {other.title}, {finding.at.slice(0, 10)}: {RESULTS[finding.result]} at{' '}
                  {volts(finding.supplyVolts)}{' '}
                  {findings.every((each) => each.id !== finding.id) &&
                    turnCircuits(vehicle).some((each) => each.id === finding.circuitId) && (
                      <Button
                        size="xs"
                        variant="default"
                        onClick={() =>
                          edit('Take over a finding', (draft) => {
                            draft.findings = [
                              ...(draft.findings ?? []),
                              { ...finding, from: { job: other.title, at: finding.at } },
                            ];
                          })
                        }
                      >
                        Take it as a prior
                      </Button>
                    )}
                </li>
              )),
            )}
          </ul>
          <p className="faint">
            A finding on one vehicle is no fact about the model: take it over knowingly.
          </p>
        </div>
      )}
    </Card>
  );
}

function FindingRow({ finding, suspect }: { finding: Finding; suspect: boolean }) {
  const { job, shelf, edit } = useDesk();
  const seen = seenAmps(job, shelf, finding);
  const codes = Object.values(finding.fitted).map((id) =>
    id === null ? 'filament' : (shelf.find((part) => part.id === id)?.code ?? 'a part no longer known'),
  );
  const loads = finding.networks.flatMap((network) => network.pieces.map((piece) => ohms(piece.ohms)));
  return (
    <li data-suspect={suspect}>
      <span>
        {[...new Set(codes)].join(', ')}
        {loads.length > 0 && ` with ${loads.join(' and ')}`}
        {finding.out.map((id) => `, ${lampById(job.vehicle, id).name.toLowerCase()} out`)} at{' '}
        {volts(finding.supplyVolts)}: {RESULTS[finding.result]}
        <span className="faint">
          {' '}
          {seen
            ? `so the watcher saw ${amps(seen.low)}${seen.high - seen.low > 0.01 ? ` to ${amps(seen.high)}` : ''}, computed`
            : 'which cannot be computed any more'}
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
