import { Button } from '@mantine/core';
import { Link, useRouteError } from 'react-router';
import classes from '../ui/ErrorScreen.module.css';

/** Something in a screen broke. Every edit was saved as it was made, so nothing is lost by starting it again. */
export function ErrorScreen() {
  const error = useRouteError();
  const message = error instanceof Error ? error.message : String(error);
  return (
    <div className={classes.screen} role="alert">
      <h1>This screen stopped working</h1>
      <p>
        Your work is safe: every edit was saved as you made it. Open the screen again, or go to the list of
        jobs.
      </p>
      <p className="faint">What went wrong: {message}</p>
      <div className={classes.actions}>
        <Button onClick={() => window.location.reload()}>Open it again</Button>
        <Button variant="default" component={Link} to="/jobs" reloadDocument>
          All jobs
        </Button>
      </div>
    </div>
  );
}
