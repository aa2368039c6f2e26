import { Button } from '@mantine/core';
import { randomId, useLocalStorage } from '@mantine/hooks';
import { capital } from '../../../core/formatting/format.ts';
import type { CircuitProof } from '../../../core/model/job.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { lampById, lampIdsOf } from '../../../core/model/vehicle/lookUp.ts';
import { CIRCUIT_RESULT_WORDS, circuitProofsOf } from '../../../core/record/observations.ts';
import { howToLight } from '../../../core/vehicle/functions.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { shortMoment } from '../../ui/dates.ts';
import classes from './Prove.module.css';

const RESULTS: readonly { result: CircuitProof['result']; label: string }[] = [
  { result: 'works', label: 'Lights, dark when off, no message' },
  { result: 'not-all', label: 'Not every lamp lights' },
  { result: 'glows', label: 'Glows while off' },
  { result: 'flickers', label: 'Flickers' },
  { result: 'message', label: 'A message came' },
];

/** What is done to see a circuit that is on steadily, and one press for what it did. */
export function SteadyProof({ circuit }: { circuit: Circuit }) {
  const { job, edit } = useDesk();
  const [by] = useLocalStorage({ key: 'vumble-seen-by', defaultValue: '' });
  const lamps = lampIdsOf(circuit).map((id) => lampById(job.vehicle, id));
  const ways = [...new Set(lamps.map((lamp) => howToLight(job.vehicle, lamp)))];
  const name = circuit.name.toLowerCase();
  const seen = circuitProofsOf(job, circuit.id);
  const record = (result: CircuitProof['result']) =>
    edit(`Proved: ${name} ${CIRCUIT_RESULT_WORDS[result]}`, (draft) => {
      const proof: CircuitProof = {
        id: randomId('proof-'),
        at: new Date().toISOString(),
        circuitId: circuit.id,
        result,
        ...(by.trim() === '' ? {} : { by: by.trim() }),
      };
      draft.circuitProofs = [...(draft.circuitProofs ?? []), proof];
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
              onClick={() => record(result)}
            >
              {label}
            </Button>
          ))}
        </div>
      </Card>
      {seen.length > 0 && (
        <Card title={`On record: ${name}`}>
          <ul className={classes.history}>
            {seen.map((each) => (
              <li key={each.id}>
                <span>
                  {capital(CIRCUIT_RESULT_WORDS[each.result])}
                  <span className="faint">
                    {' '}
                    {shortMoment(each.at)}
                    {each.by ? `, ${each.by}` : ''}
                  </span>
                </span>
                <Button
                  size="xs"
                  variant="subtle"
                  onClick={() =>
                    edit(`Take back what was seen of ${name}`, (draft) => {
                      draft.circuitProofs = (draft.circuitProofs ?? []).filter(({ id }) => id !== each.id);
                    })
                  }
                >
                  Take back
                </Button>
              </li>
            ))}
          </ul>
        </Card>
      )}
    </>
  );
}
