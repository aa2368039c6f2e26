import { Button, Textarea } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { asideText, putBack, removeAside } from '../../store/asideRows.ts';
import { type AsideRow, db } from '../../store/db.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { shortMoment } from '../../ui/dates.ts';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { saveTextFile } from '../../ui/saveTextFile.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './JobsPlace.module.css';

const WHAT: Record<AsideRow['table'], string> = {
  jobs: 'A job',
  parts: 'A part of the shelf',
  movements: 'A movement of stock',
  photos: 'A photograph',
  edits: 'A step of undo',
  journal: 'A change of a job',
};

/** Records that could not be read, or changes that could not be stored: each can be exported, mended and removed. */
export function AsideRows() {
  const rows = useLiveQuery(() => db.aside.toArray().catch(() => []));
  const [mending, setMending] = useState<AsideRow | null>(null);
  if (!rows || rows.length === 0) return null;
  const remove = (row: AsideRow) =>
    removeAside(row)
      .then((undo) => offerUndo('Removed', undo))
      .catch(tellTrouble);
  return (
    <section className={classes.aside} aria-label="Set aside">
      <h2>Set aside: cannot be used as it is</h2>
      <p>Everything else works. What it holds is kept as it was found.</p>
      <ul>
        {rows.map((row) => (
          <li key={row.seq}>
            <span>
              <b>
                {WHAT[row.table]} ({nameOf(row)})
              </b>
              , found {shortMoment(row.at)}. {row.problem}
            </span>
            <span className={classes.asideActions}>
              <Button
                size="sm"
                variant="default"
                onClick={() =>
                  saveTextFile(`set-aside-${row.table}-${row.seq}.json`, asideText(row), 'application/json')
                }
              >
                Export
              </Button>
              {row.table !== 'journal' && row.table !== 'photos' && (
                <Button size="sm" variant="default" onClick={() => setMending(row)}>
                  Mend
                </Button>
              )}
              <Button size="sm" variant="subtle" onClick={() => remove(row)}>
                Remove
              </Button>
            </span>
          </li>
        ))}
      </ul>
      {mending && <Mend key={mending.seq} aside={mending} close={() => setMending(null)} />}
    </section>
  );
}

/** What a row is called, as far as it says. */
function nameOf({ row, key }: AsideRow): string {
  const said = row as { job?: { title?: unknown }; code?: unknown; label?: unknown } | null;
  const name = said?.job?.title ?? said?.code ?? said?.label;
  return typeof name === 'string' && name !== '' ? name : String(key);
}

/** The row as text, to be put right and put back; it is checked before it goes. */
function Mend({ aside, close }: { aside: AsideRow; close(): void }) {
  const [text, setText] = useState(() => JSON.stringify(aside.row, null, 2));
  const [problem, setProblem] = useState(aside.problem);
  const put = () =>
    putBack(aside, text)
      .then(close)
      .catch((error: Error) => setProblem(error.message));
  return (
    <Dialog title="Mend this record" onClose={close}>
      <div className={classes.form}>
        <Textarea
          label="The record as JSON"
          description="Put right what is named below; it goes back only when all of it is right."
          error={problem}
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
          classNames={{ input: classes.json }}
          spellCheck={false}
        />
        <Button onClick={put}>Put it back</Button>
      </div>
    </Dialog>
  );
}
