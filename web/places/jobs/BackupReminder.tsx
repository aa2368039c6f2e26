import { Button } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from 'react-router';
import { backupDue, readFlag, readMoment } from '../../store/backup.ts';
import { keptValues, useKept } from '../../store/kept.ts';
import { shortDate } from '../../ui/dates.ts';
import classes from './JobsPlace.module.css';

/** Everything is in one browser: after two weeks of work without a backup it is said, unless that was turned off. */
export function BackupReminder() {
  const [savedAt] = useKept<string | null>('backup-at', null, readMoment);
  const [remind, setRemind] = useKept('backup-remind', true, readFlag);
  const due = useLiveQuery(async () => {
    try {
      await keptValues.loaded();
      return await backupDue(savedAt, Date.now());
    } catch {
      return false;
    }
  }, [savedAt]);
  if (!remind || !due) return null;
  return (
    <div className={classes.quick} role="note">
      <p>
        All of this is in this browser alone, and{' '}
        {savedAt ? `was last saved as a file ${shortDate(savedAt)}` : 'was never saved as a file'}.
      </p>
      <div className={classes.actions}>
        <Button component={Link} to="/hand-off?view=backup" variant="default">
          Make a backup
        </Button>
        <Button variant="subtle" onClick={() => setRemind(false)}>
          Do not remind me
        </Button>
      </div>
    </div>
  );
}
