import { Button, FileButton, Radio } from '@mantine/core';
import { randomId } from '@mantine/hooks';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { type ImportMode, type ImportPreview, importJob, previewImport } from '../../store/importJob.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { shortMoment } from '../../ui/dates.ts';
import { tellTrouble } from '../../ui/tellTrouble.ts';
import { files } from '../../workers/files.ts';
import classes from './JobsPlace.module.css';

/** Import in two looks: what the file would change, then, if that is wanted, the change. */
export function ImportJob() {
  const [preview, setPreview] = useState<ImportPreview | null>(null);
  const [problems, setProblems] = useState<readonly string[] | null>(null);
  const reset = useRef<() => void>(null);
  const read = async (file: File | null) => {
    if (!file) return;
    reset.current?.();
    try {
      const result = await files().jobFile(file);
      if (result.ok) setPreview(await previewImport(result.file));
      else setProblems(result.problems);
    } catch (error) {
      setProblems([(error as Error).message]);
    }
  };
  return (
    <>
      <FileButton onChange={read} accept=".json,application/json" resetRef={reset}>
        {(props) => (
          <Button variant="default" {...props}>
            Import a job
          </Button>
        )}
      </FileButton>
      {problems && (
        <Dialog onClose={() => setProblems(null)} title="This file was not imported">
          <p>Nothing was changed.</p>
          <ul className={classes.problems}>
            {problems.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </Dialog>
      )}
      {preview && <Confirm key={preview.file.exportedAt} preview={preview} close={() => setPreview(null)} />}
    </>
  );
}

function Confirm({ preview, close }: { preview: ImportPreview; close(): void }) {
  const { file, existing, newParts, differing } = preview;
  const [mode, setMode] = useState<ImportMode>(existing ? 'keep-both' : 'add');
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  const go = () => {
    setBusy(true);
    importJob(preview, mode, randomId('job-'))
      .then((id) => {
        close();
        navigate(`/jobs/${id}`);
      })
      .catch((error: Error) => {
        setBusy(false);
        tellTrouble(error);
      });
  };
  return (
    <Dialog onClose={close} title="Import this job?">
      <div className={classes.form}>
        <p>
          <b>{file.job.title}</b>, {file.job.vehicle.name}, exported {shortMoment(file.exportedAt)}
        </p>
        <ul className={classes.problems}>
          <li>
            {newParts.length === 0
              ? 'All its parts are on this shelf already.'
              : `${newParts.length} parts this shelf lacks are added.`}
          </li>
          {differing.length > 0 && (
            <li>
              {differing.map((part) => part.code).join(', ')}: here with other figures. Yours stay as they
              are; the file’s come in beside them.
            </li>
          )}
        </ul>
        {existing && (
          <Radio.Group
            label={`This job is here already${existing.deleted ? ', among the deleted' : ''}: “${existing.title}”`}
            value={mode}
            onChange={(value) => setMode(value as ImportMode)}
          >
            <div className={classes.form}>
              <Radio value="keep-both" label="Keep both: the import becomes a job of its own" />
              <Radio value="replace" label="Replace the one here; undo brings it back" />
            </div>
          </Radio.Group>
        )}
        <Button onClick={go} loading={busy}>
          Import
        </Button>
      </div>
    </Dialog>
  );
}
