import { amps } from '../../../../core/formatting/format.ts';
import { wire } from '../../../../core/formatting/units.ts';
import type { FuseRow } from '../../../../core/ledger/fuses.ts';
import { FUSE_CONTINUOUS_SHARE as CARRIES } from '../../../../core/model/vehicle/fuseRating.ts';
import { Card } from '../../../ui/Card.tsx';
import { Scrolls } from '../../../ui/Scrolls.tsx';
import classes from './Ledger.module.css';

/** Fuse by fuse with everything on: before and after, beside what it and its thinnest wire carry. */
export function FusesCard({ fuses }: { fuses: readonly FuseRow[] }) {
  return (
    <Card title="Fuses, everything on, engine charging">
      <Scrolls label="Fuses before and after" className={classes.scroll}>
        <table>
          <thead>
            <tr>
              <th>Fuse</th>
              <th className="figure">Carries for hours</th>
              <th className="figure">Stock</th>
              <th className="figure">Planned</th>
              <th className="figure">Thinnest wire</th>
            </tr>
          </thead>
          <tbody>
            {fuses.map(
              ({ id, name, ratedAmps, assumed, stockAmps, plannedAmps, thinnestMm2, carriesAmps }) => (
                <tr key={id}>
                  <td>
                    {name}
                    {assumed && <span className="faint"> not read</span>}
                  </td>
                  <td className="figure">{amps(CARRIES * ratedAmps)}</td>
                  <td className="figure">{amps(stockAmps)}</td>
                  <td className="figure">
                    {plannedAmps > CARRIES * ratedAmps ? (
                      <b>{amps(plannedAmps)}, too much</b>
                    ) : (
                      amps(plannedAmps)
                    )}
                  </td>
                  <td className="figure">
                    {wire(thinnestMm2)}, {carriesAmps} A
                  </td>
                </tr>
              ),
            )}
          </tbody>
        </table>
      </Scrolls>
      <p className="faint">
        Heating current, computed; a fuse carries 70 % of what is printed on it for hours (common practice).
        It is never made larger: the thinnest wire on it decides.
      </p>
    </Card>
  );
}
