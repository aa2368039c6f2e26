import { flasherWords } from '../../../core/devices/flasher.ts';
import type { Flasher } from '../../../core/model/vehicle/flasher.ts';
import { turnFuse } from '../../../core/model/vehicle/lookUp.ts';
import { Card } from '../../ui/Card.tsx';
import { Fields } from '../../ui/fields/Fields.tsx';
import { type Field, namedOptions, putField } from '../../ui/fields/field.ts';
import { SavedNumber } from '../../ui/SavedNumber.tsx';
import { useDesk } from '../workspace.ts';
import classes from './FlasherFacts.module.css';
import { FuseField } from './FuseField.tsx';

type Thermal = Extract<Flasher, { kind: 'thermal' }>;
const UNDERLOADED_FIELD: readonly Field<Thermal>[] = [
  {
    of: 'choice',
    key: 'underloaded',
    label: 'With too little load it',
    description: 'Makers differ. Seen on this one, or left as most are.',
    options: namedOptions({ 'slow-or-on': 'flashes slow, or stays on', fast: 'flashes fast' }),
  },
];

/** The facts of this vehicle that decide the verdict: what is printed on the fuse and on the flasher. */
export function FlasherFacts() {
  const { job, edit } = useDesk();
  const { flasher } = job.vehicle;
  const fuse = turnFuse(job.vehicle);
  return (
    <Card title="Fuse and flasher">
      <p className="faint">
        {flasher.name}: it {flasherWords(flasher).whatItDoes}.
      </p>
      <div className={classes.facts}>
        <FuseField fuse={fuse} label="Turn fuse" />
        {flasher.kind !== 'controller' && (
          <SavedNumber
            label={flasher.kind === 'thermal' ? 'Flasher, made for' : 'Relay rating'}
            description="printed on it"
            unit="A"
            value={flasher.ratedAmps}
            min={0.2}
            max={60}
            onSave={(amps) =>
              edit(
                `Flasher ${amps} A`,
                (draft) => {
                  const mine = draft.vehicle.flasher;
                  if (mine.kind !== 'controller') mine.ratedAmps = amps;
                },
                { mergeKey: 'relay' },
              )
            }
          />
        )}
      </div>
      {flasher.kind === 'thermal' && (
        <Fields
          fields={UNDERLOADED_FIELD}
          record={flasher}
          onSave={(key, value) =>
            edit('Flasher with too little load', (draft) => {
              const mine = draft.vehicle.flasher;
              if (mine.kind === 'thermal') putField(mine, key, value);
            })
          }
        />
      )}
    </Card>
  );
}
