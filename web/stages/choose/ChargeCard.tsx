import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { chargeResistor } from '../../../core/cures/chargeResistor.ts';
import { amps, ohms, watts } from '../../../core/formatting/format.ts';
import type { Circuit } from '../../../core/model/vehicle/circuit.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { SavedNumber } from '../../ui/SavedNumber.tsx';
import classes from './Choose.module.css';

/** The charge lamp starts the alternator: what it must let through, and the resistor that does it past an LED. */
export function ChargeCard({ circuit }: { circuit: Circuit }) {
  const { job, shelf, edit, setConfiguration } = useDesk();
  const { excite } = circuit;
  const lampId = circuit.feeds[0]?.lampId;
  const plan = useMemo(() => chargeResistor(job, shelf, circuit), [job, shelf, circuit]);
  if (!excite || lampId === undefined) return null;
  const fitted = job.cures[circuit.id];
  const { piece } = plan;
  return (
    <Card title="The charge lamp starts the alternator">
      <div className={classes.fields}>
        <SavedNumber
          label="Exciting current"
          description="From the alternator’s data; typical where not known."
          unit="A"
          value={excite.amps}
          min={0.01}
          max={2}
          step={0.01}
          decimals={3}
          onSave={(value) =>
            edit(
              `Exciting current ${amps(value)}`,
              (draft) => {
                const mine = draft.vehicle.circuits.find((each) => each.id === circuit.id);
                if (mine?.excite) mine.excite.amps = value;
              },
              { mergeKey: 'excite' },
            )
          }
        />
      </div>
      <table>
        <tbody>
          {plan.arithmetic.map((line) => (
            <tr key={line.label}>
              <td>{line.label}</td>
              <td className="figure">{line.result}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {piece === null && plan.maxOhms === Number.POSITIVE_INFINITY && (
        <p>What is in it lets enough through: no resistor is needed.</p>
      )}
      {piece === null && plan.maxOhms !== Number.POSITIVE_INFINITY && (
        <p>No resistor that could live in a dash does it. Keep the filament here.</p>
      )}
      {piece && (
        <div className={classes.effect}>
          <Button
            variant={fitted ? 'filled' : 'default'}
            onClick={() => {
              edit(`${ohms(piece.ohms)} beside the charge lamp`, (draft) => {
                draft.cures[circuit.id] = {
                  kind: 'load-resistor',
                  networks: [{ lampId, connection: 'parallel', pieces: [piece] }],
                };
              });
              setConfiguration('cured');
            }}
          >
            {fitted ? 'Fitted' : 'Fit'} {ohms(piece.ohms)} {watts(piece.watts)}
          </Button>
          {fitted && (
            <Button
              variant="default"
              onClick={() =>
                edit('No resistor beside the charge lamp', (draft) => void delete draft.cures[circuit.id])
              }
            >
              Take it out again
            </Button>
          )}
        </div>
      )}
      <Caution>
        Twist the holder out, never pull: the flexible circuit tears. Mark the plus, take colour films off or
        the colour is wrong, put the regulator and its heat sink back, and test with a 9 V battery before the
        panel is closed. See after fitting that the battery gets its charging volts.
      </Caution>
    </Card>
  );
}
