import { Button, Textarea } from '@mantine/core';
import { useState } from 'react';
import { type ReadKit, readKit } from '../../../../core/formats/kitFile.ts';
import { textOfFile } from '../../../../core/formats/textOfFile.ts';
import type { KitSheet } from '../../../../core/model/kit.ts';
import { Dialog } from '../../../ui/Dialog.tsx';
import { tellTrouble } from '../../../ui/tellTrouble.ts';
import { Problems } from '../Problems.tsx';
import classes from './Kit.module.css';

/** A sheet out of a file or pasted: what cannot be read is said line by line, and nothing is taken before it is asked. */
export function ImportSheet({ take }: { take(sheet: KitSheet): void }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [read, setRead] = useState<ReadKit | null>(null);
  const file = async (chosen: File | undefined) => {
    if (!chosen) return;
    const found = textOfFile(new Uint8Array(await chosen.arrayBuffer()));
    if (!found.ok) throw new Error(found.problem);
    setText(found.text);
    setRead(readKit(found.text));
  };
  const accept = (sheet: KitSheet) => {
    take(sheet);
    setOpen(false);
    setRead(null);
    setText('');
  };
  return (
    <>
      <Button variant="default" onClick={() => setOpen(true)}>
        Import
      </Button>
      {open && (
        <Dialog title="Import a kit sheet" onClose={() => setOpen(false)}>
          <input
            type="file"
            accept=".csv,.json,text/csv,application/json"
            aria-label="Kit sheet file"
            onChange={(event) => file(event.currentTarget.files?.[0]).catch(tellTrouble)}
          />
          <Textarea
            label="Or paste it: a kit file, or a table with semicolons, commas or tabs"
            rows={7}
            value={text}
            onChange={(event) => {
              setText(event.currentTarget.value);
              setRead(null);
            }}
          />
          {read && <Problems problems={read.problems} />}
          {read?.sheet && (
            <p>
              {read.sheet.variants.length} variants, {read.sheet.items.length} parts,{' '}
              {read.sheet.questions.length} questions. They take the place of what is in the editor; the shelf
              changes when you save.
            </p>
          )}
          <div className={classes.acts}>
            {!read && (
              <Button disabled={text.trim() === ''} onClick={() => setRead(readKit(text))}>
                Read it
              </Button>
            )}
            {read?.sheet && (
              <Button onClick={() => read.sheet && accept(read.sheet)}>
                {read.problems.length > 0 ? 'Take the good lines' : 'Take it'}
              </Button>
            )}
            <Button variant="default" onClick={() => setOpen(false)}>
              Keep what is there
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
