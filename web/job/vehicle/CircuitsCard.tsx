import { NativeSelect } from '@mantine/core';
import { bladeFuse } from '../../../core/vehicle/edit/bladeFuse.ts';
import { freeId } from '../../../core/vehicle/edit/circuits.ts';
import { Card } from '../../ui/Card.tsx';
import { useDesk } from '../workspace.ts';
import { FuseField } from './FuseField.tsx';
import classes from './VehicleEditor.module.css';

/** Which fuse each circuit hangs on, and what is printed on the fuses. */
export function CircuitsCard() {
  const { job, edit } = useDesk();
  const { circuits, fuses, lamps } = job.vehicle;
  const switched = circuits.filter((circuit) => circuit.from.by === 'switch');
  return (
    <Card title="Circuits and fuses">
      {switched.map((circuit) => (
        <div key={circuit.id} className={classes.fuse}>
          <div>
            {circuit.name}
            <div className="faint">
              {circuit.feeds
                .map(
                  (feed) => lamps.find((lamp) => lamp.id === feed.lampId)?.name.toLowerCase() ?? feed.lampId,
                )
                .join(', ')}
            </div>
          </div>
          <NativeSelect
            aria-label={`Fuse of ${circuit.name}`}
            value={circuit.from.by === 'switch' ? circuit.from.fuseId : ''}
            data={[
              ...fuses.map((fuse) => ({ value: fuse.id, label: fuse.name })),
              { value: '+', label: 'a fuse of its own' },
            ]}
            onChange={(event) => {
              const { value } = event.currentTarget;
              edit(`Fuse of ${circuit.name.toLowerCase()}`, (draft) => {
                const mine = draft.vehicle.circuits.find((each) => each.id === circuit.id);
                if (!mine) return;
                const fuseId =
                  value === '+'
                    ? freeId(
                        `${circuit.id}-fuse`,
                        draft.vehicle.fuses.map((fuse) => fuse.id),
                      )
                    : value;
                if (value === '+')
                  draft.vehicle.fuses.push(bladeFuse(fuseId, `${circuit.name.toLowerCase()} fuse`, 10));
                mine.from = { by: 'switch', fuseId };
              });
            }}
          />
        </div>
      ))}
      {switched.length === 0 && <p className="faint">Every circuit hangs on an output of the controller.</p>}
      {fuses
        .filter((fuse) => fuse.id !== job.vehicle.flasher.fuseId)
        .map((fuse) => (
          <FuseField key={fuse.id} fuse={fuse} />
        ))}
    </Card>
  );
}
