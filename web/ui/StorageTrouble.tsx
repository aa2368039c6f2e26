import { Button } from '@mantine/core';
import classes from './ErrorScreen.module.css';

/** The browser would not let Vumble keep anything: says so, and what to do. */
export function StorageTrouble({ error }: { error: Error }) {
  return (
    <div className={classes.screen} role="alert">
      <h1>This browser is not letting Vumble keep its records</h1>
      <p>
        Jobs are stored in this browser only. Private windows, blocked site data or a full disk prevent that.
        Allow site data for this address or make room, then try again.
      </p>
      <p className="faint">The browser’s own words: {error.message}</p>
      <Button onClick={() => window.location.reload()}>Try again</Button>
    </div>
  );
}
