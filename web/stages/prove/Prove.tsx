import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { flashRule } from '../../../core/judge/flashRule.ts';
import type { RatePrediction, TurnVerdict } from '../../../core/judge/verdict.ts';
import type { TurnFunction } from '../../../core/model/cures.ts';
import type { Job } from '../../../core/model/job.ts';
import { ratesOf } from '../../../core/model/seen.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { lampIdsOf, turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import {
  behind,
  CIRCUIT_RESULT_WORDS,
  circuitsToProve,
  FUNCTION_WORDS,
  latestCircuitProof,
  latestObservation,
  type ProofResult,
  proofResult,
  proofsOf,
  towingVehicles,
  turnFunctionsToProve,
  watcherLeft,
} from '../../../core/record/observations.ts';
import { networksOf } from '../../../core/simulation/fitment.ts';
import { ProofReason, RateRecorder, RecordedRate } from '../../job/measure/RateRecorder.tsx';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { useBelow } from '../../ui/useBelow.ts';
import classes from './Prove.module.css';
import { SteadyProof } from './SteadyProof.tsx';

const RESULT_WORDS: Record<ProofResult | 'open', string> = {
  passed: 'Passed',
  failed: 'Failed',
  'not-sure': 'Not sure',
  open: 'Open',
};

/** What should happen, what did, function by function; measured, not an impression. */
export default function Prove() {
  const { job } = useDesk();
  const turns = turnFunctionsToProve(job);
  const circuits = circuitsToProve(job);
  const [chosen, setChosen] = useState<string | null>(() => firstUnproved(job));
  const measure = useBelow<HTMLDivElement>();
  const choose = (id: string) => {
    setChosen(id);
    measure.show();
  };
  const turnFunction = turns.find((each) => each === chosen);
  const circuit = turnFunction ? undefined : (circuits.find(({ id }) => id === chosen) ?? circuits[0]);
  const measured = turnFunction ?? (circuit ? undefined : turns[0]);
  const loaded = networksOf(job).length > 0;
  return (
    <div className={classes.grid}>
      <div className={classes.tests}>
        {job.vehicle.kind === 'trailer' && <TowedBy />}
        {turns.length > 0 && (
          <Card title="Lights off">
            <ul className={classes.list}>
              {turns.map((each) => (
                <li key={each}>
                  <Test turnFunction={each} current={each === measured} select={() => choose(each)} />
                </li>
              ))}
            </ul>
          </Card>
        )}
        {circuits.length > 0 && (
          <Card title={turns.length > 0 ? 'What is on steadily' : 'What was converted'}>
            <ul className={classes.list}>
              {circuits.map((each) => (
                <li key={each.id}>
                  <SteadyTest
                    circuit={each}
                    current={each === circuit && !measured}
                    select={() => choose(each.id)}
                  />
                </li>
              ))}
            </ul>
          </Card>
        )}
        {turns.length + circuits.length === 0 && (
          <Card title="Nothing to prove yet">
            <p>Choose an LED first: then every function it can disturb is listed here.</p>
          </Card>
        )}
      </div>
      <div ref={measure.ref} className={classes.measure}>
        {measured && (
          <Card title={`Measure: ${FUNCTION_WORDS[measured].toLowerCase()}, lights off`}>
            <p className={classes.set}>{howToSet(measured)}</p>
            <RateRecorder key={measured} configuration="cured" turnFunction={measured} />
          </Card>
        )}
        {!measured && circuit && <SteadyProof key={circuit.id} circuit={circuit} />}
      </div>
      <div className={classes.record}>
        {measured && <History turnFunction={measured} />}
        <Caution>
          Parking brake on, wheels chocked, nobody between vehicle and wall.
          {loaded && ` After a long ${measured ? 'hazard' : 'run'} the resistors burn skin: keep off them.`}
        </Caution>
      </div>
    </div>
  );
}

/** The job with what was seen behind the towing vehicle in hand; of anything but a trailer as it is. */
function useSeenJob(): Job {
  const { job } = useDesk();
  const { towedBy } = useEvidence();
  return towedBy ? behind(job, towedBy) : job;
}

/** What the trailer hangs on while it is proved, and what it was proved behind already. */
function TowedBy() {
  const { job } = useDesk();
  const { towedBy, setTowedBy } = useEvidence();
  const before = towingVehicles(job);
  return (
    <Card title="Towed by">
      <TextInput
        aria-label="Towed by"
        placeholder="the vehicle it hangs on"
        maxLength={80}
        list="towed-before"
        value={towedBy}
        onChange={(event) => setTowedBy(event.currentTarget.value)}
      />
      <datalist id="towed-before">
        {before.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <p className="faint">
        A socket with a module of its own may not detect LEDs, or tests them by pulses: what holds behind one
        vehicle says nothing of the next. Every test is proved behind each.
      </p>
    </Card>
  );
}

function SteadyTest({ circuit, current, select }: { circuit: Circuit; current: boolean; select(): void }) {
  const { board } = useDesk();
  const job = useSeenJob();
  const seen = latestCircuitProof(job, circuit.id);
  const result = seen ? (seen.result === 'works' ? 'passed' : 'failed') : 'open';
  const verdict = board?.steady.find((each) => each.circuitId === circuit.id);
  return (
    <button type="button" className={classes.test} aria-pressed={current} onClick={select}>
      <span className={classes.name}>{circuit.name}</span>
      <span className={classes.result} data-result={result}>
        <ResultMark result={result} />
        {RESULT_WORDS[result]}
      </span>
      <span className={classes.detail}>
        Expected: {circuit.feeds.length} {circuit.feeds.length === 1 ? 'lamp' : 'lamps'} lit.{' '}
        {verdict ? verdict.reason : 'Judging.'}
      </span>
      <span className={classes.detail}>
        {seen ? `Seen: ${CIRCUIT_RESULT_WORDS[seen.result]}.` : 'Not looked at yet.'}
      </span>
    </button>
  );
}

function Test({
  turnFunction,
  current,
  select,
}: {
  turnFunction: TurnFunction;
  current: boolean;
  select(): void;
}) {
  const { board } = useDesk();
  const job = useSeenJob();
  const observation = latestObservation(job, 'cured', turnFunction);
  const result = observation
    ? proofResult(flashRule(job.vehicle.region), observation, watcherLeft(job))
    : 'open';
  const expected = board && expectedRate(board.cured, turnFunction);
  const lamps = turnCircuits(job.vehicle)
    .filter((circuit) => turnFunction === 'hazard' || turnFunction === `turn-${circuit.side}`)
    .flatMap(lampIdsOf);
  return (
    <button type="button" className={classes.test} aria-pressed={current} onClick={select}>
      <span className={classes.name}>{FUNCTION_WORDS[turnFunction]}</span>
      <span className={classes.result} data-result={result}>
        <ResultMark result={result} />
        {RESULT_WORDS[result]}
      </span>
      <span className={classes.detail}>
        Expected: {lamps.length} lamps, {expected ? `${rate(expected)} a minute, computed` : 'judging'}.
      </span>
      <span className={classes.detail}>
        {observation ? (
          <>
            Seen: <RecordedRate observation={observation} />. <ProofReason observation={observation} />
          </>
        ) : (
          'Not measured yet.'
        )}
      </span>
    </button>
  );
}

function History({ turnFunction }: { turnFunction: TurnFunction }) {
  const { job } = useDesk();
  const seen = ratesOf(job)
    .filter((each) => each.fitted.configuration === 'cured' && each.function === turnFunction)
    .toSorted((a, b) => b.at.localeCompare(a.at));
  if (seen.length === 0) return null;
  return (
    <Card title={`On record: ${FUNCTION_WORDS[turnFunction].toLowerCase()}`}>
      <SeenList seen={seen} what={`a reading of ${FUNCTION_WORDS[turnFunction].toLowerCase()}`}>
        {(each) => <RecordedRate observation={each} />}
      </SeenList>
    </Card>
  );
}

function ResultMark({ result }: { result: ProofResult | 'open' }) {
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true" focusable="false">
      {result === 'passed' && <path d="M2 2h5a5 5 0 0 1 0 10H2z" fill="var(--petrol)" />}
      {result === 'failed' && (
        <path d="M1.5 12L7 2l5.5 10z" fill="none" stroke="var(--plum)" strokeWidth="1.8" />
      )}
      {result === 'not-sure' && (
        <path
          d="M2 2h5a5 5 0 0 1 0 10H2z"
          fill="none"
          stroke="var(--slate)"
          strokeWidth="1.6"
          strokeDasharray="2 1.5"
        />
      )}
      {result === 'open' && (
        <path d="M2 2h5a5 5 0 0 1 0 10H2z" fill="none" stroke="var(--line2)" strokeWidth="1.4" />
      )}
    </svg>
  );
}

function firstUnproved(job: Job): string | null {
  const proofs = proofsOf(job, flashRule(job.vehicle.region));
  return (proofs.find(({ proved }) => !proved) ?? proofs[0])?.id ?? null;
}

function expectedRate(verdict: TurnVerdict, turnFunction: TurnFunction): RatePrediction {
  const side = verdict.circuits.find((each) => `turn-${each.side}` === turnFunction) ?? verdict.circuits[0];
  const found = turnFunction === 'hazard' ? (verdict.hazard ?? side) : side;
  return found?.rate ?? { low: 0, high: 0 };
}

function rate({ low, high }: RatePrediction): string {
  return low === high ? String(Math.round(low)) : `${Math.round(low)} or ${Math.round(high)}`;
}

function howToSet(turnFunction: TurnFunction): string {
  return turnFunction === 'hazard'
    ? 'Lights off, hazard on, key out. Walk round: do all lamps light? Then count.'
    : `Lights off, key on, ${FUNCTION_WORDS[turnFunction].toLowerCase()}. Walk round: do all lamps of that side light? Then count.`;
}
