import { Button } from '@mantine/core';
import { useState } from 'react';
import { flashRule } from '../../../core/judge/flashRule.ts';
import type { RatePrediction, TurnVerdict } from '../../../core/judge/verdict.ts';
import type { Job, Observation, TurnFunction } from '../../../core/model/job.ts';
import { lampIdsOf, turnCircuits } from '../../../core/model/vehicle/lookUp.ts';
import {
  FUNCTION_WORDS,
  latestObservation,
  type ProofResult,
  proofResult,
  turnFunctionsOf,
  watcherLeft,
} from '../../../core/record/observations.ts';
import { ProofReason, RateRecorder, RecordedRate } from '../../job/measure/RateRecorder.tsx';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { shortMoment } from '../../ui/dates.ts';
import classes from './Prove.module.css';

const RESULT_WORDS: Record<ProofResult | 'open', string> = {
  passed: 'Passed',
  failed: 'Failed',
  'not-sure': 'Not sure',
  open: 'Open',
};

/** What should happen, what did, function by function; measured, not an impression. */
export default function Prove() {
  const { job } = useDesk();
  const [turnFunction, setFunction] = useState<TurnFunction>(() => firstUnproved(job) ?? 'turn-left');
  return (
    <div className={classes.grid}>
      <div className={classes.tests}>
        <Card title="Lights off">
          <ul className={classes.list}>
            {turnFunctionsOf(job.vehicle).map((each) => (
              <li key={each}>
                <Test turnFunction={each} current={each === turnFunction} select={() => setFunction(each)} />
              </li>
            ))}
          </ul>
        </Card>
      </div>
      <div className={classes.measure}>
        <Card title={`Measure: ${FUNCTION_WORDS[turnFunction].toLowerCase()}, lights off`}>
          <p className={classes.set}>{howToSet(turnFunction)}</p>
          <RateRecorder key={turnFunction} configuration="cured" turnFunction={turnFunction} />
        </Card>
      </div>
      <div className={classes.record}>
        <History turnFunction={turnFunction} />
        <Caution>
          Parking brake on, wheels chocked, nobody between vehicle and wall. After a long hazard the resistors
          burn skin: keep off them.
        </Caution>
      </div>
    </div>
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
  const { job, board } = useDesk();
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
  const { job, edit } = useDesk();
  const seen = job.observations
    .filter((each) => each.configuration === 'cured' && each.function === turnFunction)
    .toSorted((a, b) => b.at.localeCompare(a.at));
  if (seen.length === 0) return null;
  const remove = (observation: Observation) =>
    edit(`Take back a reading of ${FUNCTION_WORDS[turnFunction].toLowerCase()}`, (draft) => {
      draft.observations = draft.observations.filter((each) => each.id !== observation.id);
    });
  return (
    <Card title={`On record: ${FUNCTION_WORDS[turnFunction].toLowerCase()}`}>
      <ul className={classes.history}>
        {seen.map((each) => (
          <li key={each.id}>
            <span>
              <RecordedRate observation={each} />
              <span className="faint"> {shortMoment(each.at)}</span>
            </span>
            <Button size="xs" variant="subtle" onClick={() => remove(each)}>
              Take back
            </Button>
          </li>
        ))}
      </ul>
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

function firstUnproved(job: Job): TurnFunction | undefined {
  const rule = flashRule(job.vehicle.region);
  return turnFunctionsOf(job.vehicle).find((each) => {
    const observation = latestObservation(job, 'cured', each);
    return !observation || proofResult(rule, observation, watcherLeft(job)) !== 'passed';
  });
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
