import { sourceWords } from '../../../../core/formatting/source.ts';
import { type BatteryBudget, SPARE_SOURCE, TYPICAL_SOURCE } from '../../../../core/ledger/battery.ts';
import { ampHours, batteryWords } from '../../../../core/ledger/words.ts';
import { useDesk } from '../../../job/workspace.ts';
import { Card } from '../../../ui/Card.tsx';
import { Caution } from '../../../ui/Caution.tsx';
import { OptionalNumber } from '../../../ui/OptionalNumber.tsx';
import classes from './Ledger.module.css';

/** The battery as a budget of the work itself. */
export function BatteryCard({ battery }: { battery: BatteryBudget }) {
  const { job, edit } = useDesk();
  const words = batteryWords(battery);
  return (
    <Card title="The battery, while you work">
      {battery.state === 'enough' ? <p>{words}</p> : <Caution>{words}</Caution>}
      <dl className={classes.pairs}>
        <dt>Lamps on for tests</dt>
        <dd>{ampHours(battery.tests)}</dd>
        <dt>Inside lamps, doors open</dt>
        <dd>{ampHours(battery.doors)}</dd>
        <dt>Battery</dt>
        <dd>
          {ampHours(battery.batteryAh)}
          {battery.read ? ', as printed' : ', typical'}
        </dd>
      </dl>
      <OptionalNumber
        label="Printed on the battery"
        unit="Ah"
        empty="not read"
        min={1}
        max={1000}
        decimals={0}
        value={job.ledger?.batteryAh}
        onSave={(value) =>
          edit(
            'Ah of the battery',
            (draft) => {
              draft.ledger ??= {};
              if (value === undefined) delete draft.ledger.batteryAh;
              else draft.ledger.batteryAh = value;
            },
            { mergeKey: 'battery-ah' },
          )
        }
      />
      <p className="faint">
        {sourceWords(SPARE_SOURCE)}
        {!battery.read && `; ${sourceWords(TYPICAL_SOURCE)}`}.
      </p>
    </Card>
  );
}
