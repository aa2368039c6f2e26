import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { pickListCsv } from '../../../core/formats/pickListCsv.ts';
import { volts, watts } from '../../../core/formatting/format.ts';
import { type PowerSaved, pickList } from '../../../core/inventory/picklist.ts';
import { flashes } from '../../../core/model/scope.ts';
import { useDesk } from '../../job/workspace.ts';
import { Card } from '../../ui/Card.tsx';
import { price } from '../../ui/money.ts';
import { Scrolls } from '../../ui/Scrolls.tsx';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import classes from './Pick.module.css';

/** What to take along and what to buy first. */
export default function Pick() {
  const { job, shelf } = useDesk();
  const list = useMemo(() => pickList(job, shelf), [job, shelf]);
  if (list.lines.length === 0) {
    return (
      <Card title="Pick list">
        <p>Nothing to pick yet. Choose LEDs and a cure, and everything they need is listed here.</p>
      </Card>
    );
  }
  return (
    <div className={classes.grid}>
      <Card
        title="Pick list"
        aside={
          <Button
            size="xs"
            variant="default"
            onClick={() =>
              saveTextFile(`${job.id}-pick-list.csv`, pickListCsv(list), 'text/csv;charset=utf-8')
            }
          >
            Save as CSV
          </Button>
        }
      >
        <Scrolls label="Parts to pick" className={classes.scroll}>
          <table className={classes.table}>
            <thead>
              <tr>
                <th>Code</th>
                <th>Part</th>
                <th className="figure">Take</th>
                <th className="figure">On shelf</th>
                <th className="figure">Buy</th>
                <th className="figure">Each</th>
                <th className="figure">Total</th>
              </tr>
            </thead>
            <tbody>
              {list.lines.map((line) => (
                <tr key={line.key}>
                  <td className={classes.code}>{line.code}</td>
                  <td>
                    {line.what}
                    <div className="faint">for {line.why}</div>
                  </td>
                  <td className="figure">{line.quantity}</td>
                  <td className="figure">{line.onShelf}</td>
                  <td className="figure" data-buy={line.toBuy > 0}>
                    {line.toBuy > 0 ? <b>{line.toBuy}</b> : '0'}
                  </td>
                  <td className="figure">{price(line.unitPrice)}</td>
                  <td className="figure">{price(line.total)}</td>
                </tr>
              ))}
            </tbody>
            <tfoot>
              <tr>
                <td colSpan={6}>
                  All parts, shelf prices in the shop’s currency
                  {list.unpriced > 0 ? `; ${list.unpriced} without a price not counted` : ''}
                </td>
                <td className="figure">
                  <b>{price(list.knownTotal)}</b>
                </td>
              </tr>
            </tfoot>
          </table>
        </Scrolls>
      </Card>
      <div className={classes.side}>
        {flashes(job) && <Power power={list.power} />}
        <Card title="Tools">
          <ul className={classes.tools}>
            {list.tools.map((tool) => (
              <li key={tool}>{tool}</li>
            ))}
          </ul>
        </Card>
      </div>
    </div>
  );
}

/** What leaks is no heat of a resistor, W. */
const WORTH_SAYING = 0.5;

function Power({ power }: { power: PowerSaved }) {
  const rows = [
    ['Stock bulbs', power.stockWatts],
    ['Bulbs fitted now', power.ledWatts],
    ['Resistors', power.resistorWatts],
  ] as const;
  const most = Math.max(...rows.map(([, value]) => value));
  return (
    <Card title="Power while all turn lamps are lit">
      <dl className={classes.power}>
        {rows.map(([name, value]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{watts(value)}</dd>
            <svg width="100%" height="8" preserveAspectRatio="none" viewBox="0 0 100 8" aria-hidden="true">
              <rect width={(value / most) * 100} height="8" rx="2" fill="var(--line2)" />
            </svg>
          </div>
        ))}
      </dl>
      <p className={classes.saved}>
        {power.savedWatts >= 0 ? 'Saved' : 'Costs more by'} <b>{watts(Math.abs(power.savedWatts))}</b>,
        computed at {volts(power.volts)}.
        {power.resistorWatts > power.savedWatts &&
          power.resistorWatts >= WORTH_SAYING &&
          ' The resistors give the saving back as heat.'}
      </p>
    </Card>
  );
}
