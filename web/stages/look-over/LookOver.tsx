import { SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import type { TurnFunction } from '../../../core/model/cures.ts';
import { flashes, jobLamps } from '../../../core/model/scope.ts';
import { FUNCTION_WORDS, latestObservation, turnFunctionsOf } from '../../../core/record/observations.ts';
import { RateRecorder, RecordedRate } from '../../job/measure/RateRecorder.tsx';
import { Photos } from '../../job/photos/Photos.tsx';
import { FlasherFacts } from '../../job/vehicle/FlasherFacts.tsx';
import { Questions } from '../../job/vehicle/Questions.tsx';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Gradually } from '../../ui/Gradually.tsx';
import { SavedText } from '../../ui/SavedText.tsx';
import { LikeCard } from './LikeCard.tsx';
import classes from './LookOver.module.css';
import { PastCard, RepairsCard } from './PastCard.tsx';
import { ScopeCard } from './ScopeCard.tsx';
import { WorkFunctions } from './WorkFunctions.tsx';

/** Work every lamp, note what is already wrong, take the stock flash rate. */
export default function LookOver() {
  const { job, edit } = useDesk();
  const dead = jobLamps(job).filter((lamp) => job.lookOver.lamps[lamp.id]?.condition === 'dead');
  return (
    <div className={classes.grid}>
      <div className={classes.column}>
        <Gradually>
          <LikeCard />
          <ScopeCard />
          <WorkFunctions />
          {dead.length > 0 && (
            <Caution>
              {dead.map((lamp) => lamp.name).join(' and ')}: dead already.{' '}
              {flashes(job) &&
                'The flash rate now is not the healthy one, and every later reading changes with it. '}
              An LED there cures it; a bulb that stays is put on the pick list.
            </Caution>
          )}
          <Card title="Warnings already on">
            <SavedText
              label="What the dash showed before anything was touched"
              placeholder="none, or what it said"
              value={job.lookOver.warnings}
              maxLength={4000}
              multiline
              onSave={(text) =>
                edit('Write warnings', (draft) => void (draft.lookOver.warnings = text), {
                  mergeKey: 'warnings',
                })
              }
            />
          </Card>
          {flashes(job) && <FlasherFacts />}
          <Questions />
          <RepairsCard />
          <PastCard />
        </Gradually>
      </div>
      <div className={classes.column}>
        <Gradually begin={0}>
          {flashes(job) && <StockRate />}
          <Photos />
        </Gradually>
      </div>
    </div>
  );
}

function StockRate() {
  const { job } = useDesk();
  const [turnFunction, setFunction] = useState<TurnFunction>('turn-left');
  return (
    <Card title="Stock flash rate, before anything is touched">
      <ul className={classes.rates}>
        {turnFunctionsOf(job.vehicle).map((each) => {
          const observation = latestObservation(job, 'stock', each);
          return (
            <li key={each}>
              <span>{FUNCTION_WORDS[each]}</span>
              <span className={classes.rate}>
                {observation ? <RecordedRate observation={observation} /> : 'not measured'}
              </span>
            </li>
          );
        })}
      </ul>
      <SegmentedControl
        fullWidth
        aria-label="Function to measure"
        className={classes.which}
        data={turnFunctionsOf(job.vehicle).map((each) => ({ value: each, label: FUNCTION_WORDS[each] }))}
        value={turnFunction}
        onChange={(value) => setFunction(value as TurnFunction)}
      />
      <RateRecorder key={turnFunction} configuration="stock" turnFunction={turnFunction} />
    </Card>
  );
}
