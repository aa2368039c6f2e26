import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { wiringSheet } from '../../../../core/wiring/sheet/sheet.ts';
import { useDesk } from '../../../job/workspace.ts';
import { useSheetOnScreen } from '../../../workers/useFitting.ts';
import { SheetPicture } from '../wiring/SheetPicture.tsx';
import classes from './Step.module.css';

/** The wiring sheet of the plug in hand, beside the step. */
export function StepSheet({ plugId, onWiring }: { plugId: string; onWiring(): void }) {
  const { job, shelf } = useDesk();
  const sheet = useMemo(() => wiringSheet(job, shelf, plugId), [job, shelf, plugId]);
  const { data: layout, error } = useSheetOnScreen(sheet);
  return (
    <div className={classes.tool}>
      {error && <p role="alert">The sheet could not be drawn: {error.message}</p>}
      {layout ? (
        <SheetPicture layout={layout} title={sheet.title} />
      ) : (
        !error && <p className="faint">Drawing it.</p>
      )}
      {sheet.notes.map((note) => (
        <p key={note} className="faint">
          {note}
        </p>
      ))}
      <Button variant="default" onClick={onWiring}>
        Find the pins, or change it
      </Button>
    </div>
  );
}
