import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { Link, useRouteError } from 'react-router';
import { db } from '../store/db.ts';
import { forgetStage } from '../store/jobs.ts';
import classes from '../ui/ErrorScreen.module.css';
import { lookAtRows } from '../workers/lookAtRows.ts';

/**
 * Something in a screen broke. Every edit was saved as it was made, so nothing is lost by starting it again; where a record
 * that cannot be read broke it, that is set aside first, and no visit begins at the stage that broke.
 */
export function ErrorScreen() {
  const error = useRouteError();
  const message = error instanceof Error ? error.message : String(error);
  const [looked, setLooked] = useState(false);
  const aside = useLiveQuery(() => db.aside.count().catch(() => 0)) ?? 0;
  useEffect(() => {
    forgetStage().catch(() => {
      // A store that cannot be opened is told of by whoever needs it.
    });
    lookAtRows(true).then(() => setLooked(true));
  }, []);
  return (
    <div className={classes.screen} role="alert">
      <h1>This screen stopped working</h1>
      <p>
        Your work is safe: every edit was saved as you made it. Open the screen again, or go to the list of
        jobs.
      </p>
      {!looked && <p>Looking whether a record cannot be read.</p>}
      {aside > 0 && (
        <p>
          <b>
            {aside === 1 ? 'One record' : `${aside} records`} could not be read and{' '}
            {aside === 1 ? 'was' : 'were'} set aside.
          </b>{' '}
          Everything else works again. On Jobs it can be exported, mended or removed.
        </p>
      )}
      <p className="faint">What went wrong: {message}</p>
      <div className={classes.actions}>
        <Button onClick={() => window.location.reload()} loading={!looked}>
          Open it again
        </Button>
        <Button variant="default" component={Link} to="/jobs" reloadDocument>
          All jobs
        </Button>
      </div>
    </div>
  );
}
