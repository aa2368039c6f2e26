import { Button } from '@mantine/core';
import { useState } from 'react';
import { type BoughtResult, readBoughtCsv } from '../../../../core/formats/boughtCsv.ts';
import { textOfFile } from '../../../../core/formats/textOfFile.ts';
import type { Part } from '../../../../core/model/part.ts';
import { move, withdraw } from '../../../store/stock.ts';
import { Dialog } from '../../../ui/Dialog.tsx';
import { FileButton } from '../../../ui/FileButton.tsx';
import { offerUndo } from '../../../ui/offerUndo.tsx';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { Problems } from '../Problems.tsx';
import classes from '../Shelf.module.css';

/** A shopping list read back when its parts came: each line is pieces bought, of the order its file is called by. */
export function BookIn({ parts }: { parts: readonly Part[] }) {
  const [read, setRead] = useState<(BoughtResult & { name: string }) | null>(null);
  const open = async (file: File) => {
    const text = textOfFile(new Uint8Array(await file.arrayBuffer()));
    if (!text.ok) throw new Error(text.problem);
    setRead({ ...readBoughtCsv(text.text, parts), name: file.name });
  };
  const book = () =>
    read &&
    move(
      read.bought.map(({ part, pieces }) => ({
        kind: 'bought',
        partId: part.id,
        pieces,
        batch: read.name.replace(/\.csv$/i, '').slice(0, 160),
      })),
    )
      .then((ids) => {
        offerUndo(`${ids.length} lines booked in`, async () => void (await withdraw(ids)));
        setRead(null);
      })
      .catch(tellTrouble);
  return (
    <>
      <FileButton
        label="Book in a CSV"
        field="List of what came"
        accept=".csv,text/csv"
        open={open}
        size="sm"
      />
      {read && (
        <Dialog title={`Book in ${read.name}`} onClose={() => setRead(null)}>
          <p>
            {read.bought.length === 0
              ? 'No line can be booked in.'
              : `${read.bought.length} lines, ${read.bought.reduce((sum, { pieces }) => sum + pieces, 0)} pieces, go onto the shelf as bought.`}
          </p>
          <Problems problems={read.problems} />
          <div className={classes.actions}>
            {read.bought.length > 0 && <Button onClick={book}>Book them in</Button>}
            <Button variant="default" onClick={() => setRead(null)}>
              Keep nothing
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
