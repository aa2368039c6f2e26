import { useState } from 'react';
import { likelySupply } from '../../../core/judge/workingPoints.ts';
import type { Conditions, Trial, TrialResult } from '../../../core/model/evidence.ts';
import { hasCure } from '../../../core/model/scope.ts';
import { trialsOf } from '../../../core/model/seen.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { seenOn } from '../../../core/model/vehicle/lookUp.ts';
import { fittedNow } from '../../../core/record/fittedNow.ts';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { type ConditionChip, conditionChips, TRIAL_WORDS, TrialBar } from '../../job/measure/TrialBar.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useWorkspace } from '../../job/workspace.ts';
import { useNextTest } from '../../workers/useNextTest.ts';
import classes from './Cure.module.css';
import { supplyWords } from './results.ts';

/** So many of the last trials are shown here; all of them stand under what was seen. */
const SHOWN = 3;

/** One tap for what the circuit in hand did with its LEDs; its conditions begin as the driver's panel stands. */
export function TrialCard({ circuit }: { circuit: Circuit }) {
  const { job, shelf, controls } = useWorkspace();
  const isCured = hasCure(job, circuit.id) || (circuit.kind === 'turn' && job.vehicleCures.length > 0);
  const { record } = useEvidence();
  const [said, setSaid] = useState<Partial<Omit<Conditions, 'brief'>> & { brief?: true | undefined }>({});
  const [withCure, setWithCure] = useState(true);
  const on: Conditions = {
    lights: said.lights ?? controls.lights,
    brake: said.brake ?? controls.brake,
    engine: said.engine ?? controls.key === 'running',
    ...(said.brief ? { brief: true } : {}),
  };
  const configuration = isCured && withCure ? 'cured' : 'leds';
  const chips: ConditionChip[] = [
    ...(isCured
      ? [
          {
            label: configuration === 'cured' ? 'with its cure' : 'LEDs alone',
            change: () => setWithCure(!withCure),
          },
        ]
      : []),
    ...conditionChips(circuit.kind === 'turn', on, (next) => setSaid({ ...said, ...next })),
  ];
  const see = (result: TrialResult) => {
    const [fromVolts, toVolts] = likelySupply(job.vehicle.systemVolts, on.engine);
    record(`Seen on ${circuit.name.toLowerCase()}: ${TRIAL_WORDS[result].toLowerCase()}`, {
      kind: 'trial',
      circuitId: seenOn(job.vehicle, circuit).id,
      on,
      supply: { fromVolts, toVolts },
      fitted: fittedNow(job, [circuit.id], configuration),
      result,
    });
  };
  const next = useNextTest(job, shelf, circuit.id, circuit.kind === 'turn');
  const seen = trialsOf(job)
    .filter(({ circuitId }) => circuitId === seenOn(job.vehicle, circuit).id)
    .toReversed();
  return (
    <div className={classes.trial}>
      <TrialBar turning={circuit.kind === 'turn'} chips={chips} onSee={see} />
      {next.data && (
        <p className={classes.next}>
          <b>What would tell most, about {next.data.minutes} min:</b> {next.data.act}. {next.data.means}
        </p>
      )}
      <SeenList seen={seen.slice(0, SHOWN)} what="a trial">
        {(trial) => trialWords(trial)}
      </SeenList>
    </div>
  );
}

/** `Fast with the LEDs alone, lights off, 11.8 to 12.6 V`. */
function trialWords({ result, on, supply, fitted }: Trial): string {
  const fittedWords = { stock: 'the stock bulbs', leds: 'the LEDs alone', cured: 'its cure' };
  return [
    `${TRIAL_WORDS[result]}${fitted.configuration ? ` with ${fittedWords[fitted.configuration]}` : ''}`,
    ...(on
      ? [
          `lights ${on.lights ? 'on' : 'off'}${on.brake ? ', brake on' : ''}${on.brief ? ', only a moment' : ''}`,
        ]
      : []),
    ...(supply ? [supplyWords(supply)] : []),
  ].join(', ');
}
