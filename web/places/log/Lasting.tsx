import { lazy, Suspense, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { LEAST_ENDED, lasting } from '../../../core/log/answers.ts';
import type { LogData } from '../../job/useLog.ts';
import { Card } from '../../ui/Card.tsx';
import { Scrolls } from '../../ui/Scrolls.tsx';
import classes from './Log.module.css';
import { PartChoice } from './PartChoice.tsx';

const LastingChart = lazy(() => import('./LastingChart.tsx'));

/** How long parts last: the share still working by age, of all of them or of one. */
export default function Lasting({ lines, since }: LogData) {
  const [search, setSearch] = useSearchParams();
  const partId = search.get('part') ?? '';
  const asked = useMemo(
    () => lines.filter((line) => partId === '' || line.partId === partId),
    [lines, partId],
  );
  const lasts = useMemo(() => lasting(asked, since, new Date().toISOString()), [asked, since]);
  const { fitted, ended, stillIn, takenOut, steps, medianDays, countsOnly } = lasts;
  return (
    <div className={classes.stack}>
      <div className={classes.fields}>
        <PartChoice
          lines={lines}
          partId={partId}
          choose={(part) => setSearch({ view: 'lasting', ...(part ? { part } : {}) }, { replace: true })}
        />
      </div>
      <Card title="How long it lasts" heading="h2">
        <div className={classes.stack}>
          <p>
            {fitted} pieces fitted: {stillIn} still in, {ended} came back, {takenOut} taken out for another
            reason.
          </p>
          {countsOnly ? (
            <p>
              Fewer than {LEAST_ENDED} came back while they were on record: too few for a curve. What is still
              in says only that it has lasted until now.
            </p>
          ) : (
            <>
              <p>
                {medianDays === null
                  ? 'More than half still work at the greatest age there is.'
                  : `Half came back within ${Math.round(medianDays)} days.`}
              </p>
              <Suspense fallback={<p className="faint">Drawing the curve.</p>}>
                <LastingChart steps={steps} />
              </Suspense>
              <Scrolls label="Share still working by age">
                <table className={classes.table}>
                  <thead>
                    <tr>
                      <th>Age, days</th>
                      <th>In until then</th>
                      <th>Came back</th>
                      <th>Still working</th>
                      <th>95 % limits</th>
                    </tr>
                  </thead>
                  <tbody>
                    {steps.map(({ at, atRisk, ended: gone, survival, low, high }) => (
                      <tr key={at}>
                        <td>{at.toFixed(1)}</td>
                        <td>{atRisk}</td>
                        <td>{gone}</td>
                        <td>{(100 * survival).toFixed(0)} %</td>
                        <td>
                          {(100 * low).toFixed(0)} to {(100 * high).toFixed(0)} %
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </Scrolls>
            </>
          )}
          <p className="faint">
            Computed from this log: Kaplan and Meier, limits by Greenwood on the log-log scale. What is still
            in, or was taken out for another reason, counts until then; what was in before its vehicle came on
            record, from then on.
          </p>
        </div>
      </Card>
    </div>
  );
}
