import { Button } from '@mantine/core';
import { useRef, useState } from 'react';
import { type BoughtResult, readBoughtCsv } from '../../../../core/formats/boughtCsv.ts';
import { textOfFile } from '../../../../core/formats/textOfFile.ts';
import type { Part } from '../../../../core/model/part.ts';
import { move, withdraw } from '../../../store/stock.ts';
import { Dialog } from '../../../ui/Dialog.tsx';
import { offerUndo } from '../../../ui/offerUndo.tsx';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { Problems } from '../Problems.tsx';
import classes from '../Shelf.module.css';

/** A shopping list read back when its parts came: each line is pieces bought, of the order its file is called by. */
export function BookIn({ parts }: { parts: readonly Part[] }) {
  const input = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<(BoughtResult & { name: string }) | null>(null);
  const open = async (file: File | undefined) => {
    if (!file) return;
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
      <Button size="sm" variant="default" onClick={() => input.current?.click()}>
        Book in a CSV
      </Button>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv"
        hidden
        aria-label="List of what came"
        onChange={(event) => {
          const field = event.currentTarget;
          open(field.files?.[0])
            .catch(tellTrouble)
            .finally(() => {
              field.value = '';
            });
        }}
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
