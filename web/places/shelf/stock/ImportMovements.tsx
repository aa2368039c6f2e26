import { Button } from '@mantine/core';
import { useState } from 'react';
import { type MovementsResult, readMovementsCsv } from '../../../../core/formats/movementsCsv.ts';
import { textOfFile } from '../../../../core/formats/textOfFile.ts';
import type { Part } from '../../../../core/model/part.ts';
import { joinMovements } from '../../../store/stock.ts';
import { Dialog } from '../../../ui/Dialog.tsx';
import { FileButton } from '../../../ui/FileButton.tsx';
import { offerUndo } from '../../../ui/offerUndo.tsx';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { Problems } from '../Problems.tsx';
import classes from '../Shelf.module.css';

/** Movements of another device joined to these: each id counts once, however often it comes. */
export function ImportMovements({ parts }: { parts: readonly Part[] }) {
  const [read, setRead] = useState<MovementsResult | null>(null);
  const open = async (file: File) => {
    const text = textOfFile(new Uint8Array(await file.arrayBuffer()));
    if (text.ok) setRead(readMovementsCsv(text.text, parts));
    else tellTrouble(new Error(text.problem));
  };
  const join = () =>
    read &&
    joinMovements(read.movements, read.shelves)
      .then(({ added, undo }) => {
        offerUndo(`${added} movements joined`, undo);
        setRead(null);
      })
      .catch(tellTrouble);
  return (
    <>
      <FileButton
        label="Join a CSV"
        field="Table of movements"
        accept=".csv,text/csv"
        open={open}
        size="sm"
      />
      {read && (
        <Dialog title="Join movements" onClose={() => setRead(null)}>
          <p>
            {read.movements.length} movements of the shelf can be joined; those that are here already change
            nothing. Both devices’ jobs then take from one shelf.
            {read.ofJobs > 0 && ` ${read.ofJobs} were made by jobs and come with their job files.`}
          </p>
          <Problems problems={read.problems} />
          <div className={classes.actions}>
            {read.movements.length > 0 && <Button onClick={join}>Join them</Button>}
            <Button variant="default" onClick={() => setRead(null)}>
              Keep nothing
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
