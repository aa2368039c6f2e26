import type { UseRow } from '../../../../core/ledger/wholeLedger.ts';
import { ampHours, USE_WORDS } from '../../../../core/ledger/words.ts';
import { Card } from '../../../ui/Card.tsx';

/** What some uses of the lamps take out of the battery, before and after. */
export function UsesCard({ uses }: { uses: readonly UseRow[] }) {
  return (
    <Card title="In use, whole vehicle">
      <table>
        <thead>
          <tr>
            <th>Use</th>
            <th className="figure">Stock</th>
            <th className="figure">Planned</th>
            <th className="figure">Saved</th>
          </tr>
        </thead>
        <tbody>
          {uses.map(({ id, stock, planned }) => (
            <tr key={id}>
              <td>{USE_WORDS[id]}</td>
              {[stock, planned].map((energy, at) => (
                <td key={at === 0 ? 'stock' : 'planned'} className="figure">
                  {energy.wattHours.toFixed(0)} Wh
                  <br />
                  {ampHours([energy.ampHours, energy.ampHours])}
                </td>
              ))}
              <td className="figure">
                {(stock.wattHours - planned.wattHours).toFixed(0)} Wh
                <br />
                {(stock.ampHours - planned.ampHours).toFixed(1)} Ah
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Card>
  );
}
