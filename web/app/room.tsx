import { Button } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useState } from 'react';
import { exportJob } from '../store/jobs.ts';
import { NEARLY_FULL, room } from '../store/room.ts';
import { writer } from '../store/writer.ts';
import { saveTextFile } from '../ui/saveTextFile.ts';
import { tellTrouble } from '../ui/tellTrouble.ts';
import classes from './room.module.css';

const HELD = 'held';
const MAKE_ROOM = 'Make room: empty the bin at the foot of Jobs, or delete photographs.';

/** Tells of what there is no room for as long as there is any, and keeps the tab from being closed unasked meanwhile. */
export function watchRoom(): void {
  const show = () => {
    const jobs = writer.allHeld();
    if (jobs.length === 0) notifications.hide(HELD);
    else notice(jobs);
  };
  writer.subscribe(show);
  show();
  window.addEventListener('beforeunload', (event) => {
    if (writer.allHeld().length > 0) event.preventDefault();
  });
}

function notice(jobIds: readonly string[]): void {
  const acts = jobIds.reduce((sum, id) => sum + (writer.held(id)?.acts ?? 0), 0);
  const title = 'No room left in this browser';
  const save = () =>
    Promise.all(
      jobIds.map(async (id) => saveTextFile(`${id}.vumble.json`, await exportJob(id), 'application/json')),
    ).catch((error: Error) => tellTrouble(error));
  const again = async () => {
    await Promise.all(jobIds.map((id) => writer.tryAgain(id)));
    return writer.allHeld().length === 0;
  };
  const message = (
    <div>
      {acts === 1 ? 'Your last change is' : `Your last ${acts} changes are`} in this tab alone: keep it open.{' '}
      {MAKE_ROOM}
      <div className={classes.acts}>
        <TryAgain again={again} />
        <Button size="xs" variant="default" onClick={save}>
          {jobIds.length === 1 ? 'Save the job as a file' : 'Save the jobs as files'}
        </Button>
      </div>
    </div>
  );
  const shown = {
    id: HELD,
    title,
    message,
    autoClose: false,
    withCloseButton: false,
    withBorder: true,
  } as const;
  // One that is there already is only another: no second is laid over it.
  notifications.show(shown);
  notifications.update(shown);
}

/** Goes with the notice where there was room; says so where there was none. */
function TryAgain({ again }: { again(): Promise<boolean> }) {
  const [tries, setTries] = useState(0);
  const [trying, setTrying] = useState(false);
  const press = async () => {
    setTrying(true);
    const stored = await again();
    setTrying(false);
    if (!stored) setTries(tries + 1);
  };
  return (
    <>
      <Button size="xs" onClick={press} loading={trying}>
        Try again
      </Button>
      <span role="status" className={classes.tried}>
        {tries > 0 && !trying && `Tried ${tries === 1 ? 'once' : `${tries} times`}: still no room.`}
      </span>
    </>
  );
}

/** Says so where the browser has little room left, before anything is lost. */
export async function tellNearlyFull(): Promise<void> {
  const now = await room();
  if (!now || now.most === 0 || now.used / now.most < NEARLY_FULL) return;
  notifications.show({
    id: 'nearly-full',
    title: 'This browser has little room left',
    message: `${Math.round((100 * now.used) / now.most)} % of what it gives is used. ${MAKE_ROOM} A backup, under Hand off, keeps it all elsewhere.`,
    autoClose: false,
    withBorder: true,
  });
}
