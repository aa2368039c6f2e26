import { Button, NativeSelect } from '@mantine/core';
import { useRef, useState } from 'react';
import type { Patch } from '../../../../core/formats/frames.ts';
import { FileButton } from '../../../ui/FileButton.tsx';
import { FilmPad } from './FilmPad.tsx';
import classes from './FlashMeter.module.css';
import { FramePicture } from './FramePicture.tsx';
import { MIDDLE, PatchBox } from './PatchBox.tsx';
import type { useFlashReading } from './useFlashReading.ts';

const ACCEPT = '.wav,.csv,.txt,.tsv,.y4m,audio/wav,audio/x-wav,text/csv,video/*';

/** A film the browser plays; an uncompressed one is read frame by frame as a table is. */
function isFilm(file: File): boolean {
  return file.type.startsWith('video/') && !file.name.toLowerCase().endsWith('.y4m');
}

/** A recording out of a file: clicks, a scope's or logger's table, a film. */
export function FilePad({ flash }: { flash: ReturnType<typeof useFlashReading> }) {
  const [file, setFile] = useState<File | null>(null);
  const [patch, setPatch] = useState(MIDDLE);
  const { readFile, result, busy, cancel } = flash;
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const open = async (chosen: File) => {
    setPatch(MIDDLE);
    setFile(chosen);
    if (!isFilm(chosen)) await readFile(chosen, null, MIDDLE);
  };
  // A patch that is dragged is read anew where it comes to rest.
  const move = (next: Patch) => {
    setPatch(next);
    clearTimeout(rest.current);
    if (file) rest.current = setTimeout(() => readFile(file, null, next), 250);
  };
  const picture = result?.picture ?? null;
  return (
    <div className={classes.pad}>
      <p className={classes.hint}>
        Relay clicks as WAV, a table of a scope or logger as CSV (time, then what was measured), or a film of
        the lamp. The file stays on this device.
      </p>
      <div className={classes.buttons}>
        <FileButton label="Choose a recording" field="Recording" accept={ACCEPT} open={open} size="lg" />
        {busy && (
          <Button size="lg" variant="default" onClick={cancel}>
            Stop reading
          </Button>
        )}
      </div>
      {file && <p className="faint">{file.name}</p>}
      {file && isFilm(file) && <FilmPad key={file.name + file.lastModified} file={file} flash={flash} />}
      {file && picture && (
        <PatchBox patch={patch} change={move}>
          <FramePicture picture={picture} />
        </PatchBox>
      )}
      {file && result && result.columns.length > 1 && (
        <NativeSelect
          label="Column"
          value={result.column ?? ''}
          data={[...result.columns]}
          onChange={(event) => readFile(file, event.currentTarget.value, patch)}
        />
      )}
    </div>
  );
}
