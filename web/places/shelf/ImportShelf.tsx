import { Button } from '@mantine/core';
import { useState } from 'react';
import type { Part } from '../../../core/model/part.ts';
import { putParts } from '../../store/shelf.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { files } from '../../workers/files.ts';
import type { ShelfTable } from '../../workers/files.worker.ts';
import { Problems } from './Problems.tsx';
import classes from './Shelf.module.css';
import { tellChange } from './tellChange.ts';

/** Reads a table of parts, shows what would change and what cannot be read, and asks before anything is kept. */
export function ImportShelf({ parts }: { parts: readonly Part[] }) {
  const [read, setRead] = useState<(ShelfTable & { name: string }) | null>(null);
  const [reading, setReading] = useState(false);
  const [busy, setBusy] = useState(false);
  const open = async (file: File) => {
    setReading(true);
    try {
      setRead({ ...(await files().shelfTable(file, parts)), name: file.name });
    } catch (error) {
      tellTrouble(error as Error);
    }
    setReading(false);
  };
  const known = new Set(parts.map((part) => part.id));
  const changed = read?.parts.filter((part) => known.has(part.id)).length ?? 0;
  const added = (read?.parts.length ?? 0) - changed;
  const keep = () => {
    if (!read || busy) return;
    setBusy(true);
    putParts(read.parts)
      .then((change) => {
        tellChange(`${added} parts added, ${changed} changed`, change);
        setRead(null);
      })
      .catch(tellTrouble)
      .finally(() => setBusy(false));
  };
  return (
    <>
      <FileButton
        label="Import CSV"
        field="Table of parts"
        accept=".csv,text/csv"
        open={open}
        loading={reading}
      />
      {read && (
        <Dialog title={`Import ${read.name}`} onClose={() => setRead(null)}>
          <p>
            {read.parts.length === 0
              ? 'No row can be kept.'
              : `${added} parts would be added and ${changed} changed. Stock and prices are taken from the table.`}
          </p>
          {read.encoding === 'Windows-1252' && (
            <p className="faint">
              It is not in UTF-8: read as Western European (Windows-1252). Look whether its letters are right.
            </p>
          )}
          {read.unknownColumns.length > 0 && (
            <p className="faint">
              Columns nobody here knows are left alone: {read.unknownColumns.join(', ')}.
            </p>
          )}
          <Problems problems={read.problems} />
          <div className={classes.actions}>
            {read.parts.length > 0 && (
              <Button onClick={keep} loading={busy}>
                {read.problems.length > 0 ? `Keep the ${read.parts.length} good rows` : 'Import'}
              </Button>
            )}
            <Button variant="default" onClick={() => setRead(null)}>
              Keep nothing
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
