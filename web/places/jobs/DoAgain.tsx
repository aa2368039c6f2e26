import { Button, Textarea } from '@mantine/core';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { readFleet } from '../../../core/fleet/readFleet.ts';
import { textOfFile } from '../../../core/formats/textOfFile.ts';
import { useDraftText } from '../../store/draft.ts';
import { beginEquals, fleetOf } from '../../store/fleet.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { FileButton } from '../../ui/FileButton.tsx';
import { offerUndo } from '../../ui/offerUndo.tsx';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import classes from './JobsPlace.module.css';

/** So many numbers are named before they are begun. */
const NAMED = 30;

/** One job again on many vehicles like its own: numbers typed, pasted or out of a table, and what that comes to. */
export function DoAgain({ jobId, name, close }: { jobId: string; name: string; close(): void }) {
  const [text, setText, forget] = useDraftText(`again-${jobId}`);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const fleet = useLiveQuery(() => fleetOf(jobId), [jobId]);
  const known = useMemo(
    () => [fleet?.first, ...(fleet?.others ?? [])].flatMap((row) => row?.job.vehicle.fleetNumber ?? []),
    [fleet],
  );
  const { entries, problems } = useMemo(() => readFleet(text, known), [text, known]);
  const open = async (file: File) => {
    const read = textOfFile(new Uint8Array(await file.arrayBuffer()));
    if (!read.ok) throw new Error(read.problem);
    setText(read.text);
  };
  const begin = () => {
    if (busy || entries.length === 0) return;
    setBusy(true);
    beginEquals(jobId, entries)
      .then((undo) => {
        forget();
        close();
        navigate(`/fleet/${jobId}`);
        offerUndo(`${entries.length} ${entries.length === 1 ? 'job was' : 'jobs were'} begun`, undo, 20_000);
      })
      .catch((error: Error) => {
        setBusy(false);
        tellTrouble(error);
      });
  };
  return (
    <Dialog onClose={close} title="Do it again">
      <div className={classes.form}>
        <p>
          {name}, on other vehicles like it. Lamps, openings, parts, cure and order are carried over, the
          wiring as a hint; dead bulbs, bulb numbers, left against right, equipment and the flasher are looked
          at afresh on each.
        </p>
        <Textarea
          label="Fleet numbers or plates"
          description="one a line, or with commas; a table’s second column is a note"
          autosize
          minRows={4}
          maxRows={10}
          maxLength={40_000}
          value={text}
          onChange={(event) => setText(event.currentTarget.value)}
        />
        <FileButton
          label="Out of a CSV file"
          field="Fleet numbers as CSV"
          accept=".csv,text/csv,text/plain"
          open={open}
        />
        {entries.length > 0 && (
          <p role="status">
            {entries.length} {entries.length === 1 ? 'vehicle' : 'vehicles'}:{' '}
            {entries
              .slice(0, NAMED)
              .map(({ number, note }) => (note ? `${number} (${note})` : number))
              .join(', ')}
            {entries.length > NAMED ? ' and more' : ''}
          </p>
        )}
        {problems.length > 0 && (
          <ul className={classes.problems}>
            {problems.slice(0, 12).map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        )}
        <Button onClick={begin} loading={busy} disabled={entries.length === 0}>
          {entries.length > 1 ? `Begin ${entries.length} jobs` : 'Begin it'}
        </Button>
      </div>
    </Dialog>
  );
}
