import { Button, Checkbox } from '@mantine/core';
import { readFlag, readMoment } from '../../store/backup.ts';
import { useKept } from '../../store/kept.ts';
import { Card } from '../../ui/Card.tsx';
import { shortMoment, today } from '../../ui/dates.ts';
import classes from './HandOff.module.css';
import { PackingState } from './PackingState.tsx';
import { usePacking } from './usePacking.ts';

/** Everything this browser keeps as one file, and when that was last done. */
export function Backup() {
  const [savedAt, setSavedAt] = useKept<string | null>('backup-at', null, readMoment);
  const [remind, setRemind] = useKept('backup-remind', true, readFlag);
  const { packing, save, stop } = usePacking();
  return (
    <div className={classes.cards}>
      <Card title="Backup" heading="h2">
        <p>
          Everything is in this browser and nowhere else. One file holds all of it: jobs, those in the bin,
          shelf, stock, photographs, settings. Keep it on another device. To restore it, take it over: in a
          browser nobody has worked in it takes the place of the demo, in one that was used it is laid
          together with what is there.
        </p>
        <p>{savedAt ? `Last saved here ${shortMoment(savedAt)}.` : 'None was saved here yet.'}</p>
        <div className={classes.actions}>
          <Button
            disabled={packing !== null}
            onClick={async () => {
              if (await save({ content: 'everything' }, `vumble-${today()}.vumble.zip`))
                setSavedAt(new Date().toISOString());
            }}
          >
            Save everything as a file
          </Button>
          <PackingState packing={packing} stop={stop} />
        </div>
      </Card>
      <Checkbox
        checked={remind}
        onChange={(event) => setRemind(event.currentTarget.checked)}
        label="Remind me on Jobs when there was no backup for two weeks"
      />
    </div>
  );
}
