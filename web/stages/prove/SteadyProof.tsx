import { Button } from '@mantine/core';
import { capital } from '../../../core/formatting/format.ts';
import type { SteadyProof as Proof } from '../../../core/model/evidence.ts';
import { steadyProofsOf } from '../../../core/model/seen.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { lampById, lampIdsOf } from '../../../core/model/vehicle/lookUp.ts';
import { fittedNow } from '../../../core/record/fittedNow.ts';
import { CIRCUIT_RESULT_WORDS } from '../../../core/record/observations.ts';
import { howToLight } from '../../../core/vehicle/functions.ts';
import { SeenList } from '../../job/measure/SeenList.tsx';
import { useEvidence } from '../../job/measure/useEvidence.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import classes from './Prove.module.css';

const RESULTS: readonly { result: Proof['result']; label: string }[] = [
  { result: 'works', label: 'Lights, dark when off, no message' },
  { result: 'not-all', label: 'Not every lamp lights' },
  { result: 'glows', label: 'Glows while off' },
  { result: 'flickers', label: 'Flickers' },
  { result: 'message', label: 'A message came' },
];

/** What is done to see a circuit that is on steadily, and one press for what it did. */
export function SteadyProof({ circuit }: { circuit: Circuit }) {
  const { job } = useDesk();
  const { record } = useEvidence();
  const lamps = lampIdsOf(circuit).map((id) => lampById(job.vehicle, id));
  const ways = [...new Set(lamps.map((lamp) => howToLight(job.vehicle, lamp)))];
  const name = circuit.name.toLowerCase();
  const seen = steadyProofsOf(job).filter((each) => each.circuitId === circuit.id);
  const see = (result: Proof['result']) =>
    record(`Proved: ${name} ${CIRCUIT_RESULT_WORDS[result]}`, {
      kind: 'proof',
      circuitId: circuit.id,
      on: null,
      supply: null,
      fitted: fittedNow(job, [circuit.id], 'cured'),
      result,
    });
  return (
    <>
      <Card title={`Look at: ${name}`}>
        <p className={classes.set}>
          {capital(ways.join('; '))}. {lamps.length === 1 ? 'Does it light' : `Do all ${lamps.length} light`},
          without flicker? Leave it on for a minute and look at the dash; then off, and in the dark: is it
          wholly dark? After the vehicle has slept, once more.
        </p>
        <div className={classes.results}>
          {RESULTS.map(({ result, label }) => (
            <Button
              key={result}
              size="md"
              variant={result === 'works' ? 'filled' : 'default'}
              onClick={() => see(result)}
            >
              {label}
            </Button>
          ))}
        </div>
      </Card>
      {seen.length > 0 && (
        <Card title={`On record: ${name}`}>
          <SeenList seen={seen} what={`what was seen of ${name}`}>
            {(each) => capital(CIRCUIT_RESULT_WORDS[each.result])}
          </SeenList>
        </Card>
      )}
    </>
  );
}
