import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { binContents, emptyBin } from '../../store/bin.ts';
import { restoreJob } from '../../store/jobs.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './JobsPlace.module.css';

/** What was deleted: it can be taken back, or taken away for good where room is wanted. */
export function Bin() {
  const bin = useLiveQuery(() => binContents().catch(() => null));
  const [asking, setAsking] = useState(false);
  const [busy, setBusy] = useState(false);
  if (!bin || bin.jobs.length + bin.photos === 0) return null;
  const pictures = `${bin.photos} ${bin.photos === 1 ? 'photograph' : 'photographs'}`;
  const empty = () => {
    setBusy(true);
    emptyBin()
      .then(() => setAsking(false))
      .catch(tellTrouble)
      .finally(() => setBusy(false));
  };
  return (
    <details className={classes.bin}>
      <summary>
        Deleted jobs ({bin.jobs.length}){bin.photos > 0 && `, ${pictures}`}
      </summary>
      <ul>
        {bin.jobs.map(({ id, title }) => (
          <li key={id}>
            <span>{title}</span>
            <Button size="sm" variant="default" onClick={() => restoreJob(id).catch(tellTrouble)}>
              Take it back
            </Button>
          </li>
        ))}
      </ul>
      <Button variant="default" onClick={() => setAsking(true)}>
        Empty the bin
      </Button>
      {asking && (
        <Dialog title="Empty the bin for good?" onClose={() => setAsking(false)}>
          <div className={classes.form}>
            <p>
              {bin.jobs.length === 0 ? 'No job' : bin.jobs.map(({ title }) => `“${title}”`).join(', ')}
              {bin.photos > 0 && ` and ${pictures}`} will be gone from this browser, and nothing brings them
              back. Take back and export first what may still be wanted.
            </p>
            <Button color="red" onClick={empty} loading={busy}>
              Take it all away for good
            </Button>
          </div>
        </Dialog>
      )}
    </details>
  );
}
