import type { Recording } from '../flashmeter/readFlash.ts';
import { type Frames, readFrames } from './frames.ts';
import { textOfFile } from './textOfFile.ts';
import { likeliestColumn, readTraceCsv, type TraceColumn } from './traceCsv.ts';
import { readWav } from './wav.ts';

/** A recording out of a file; of a table the columns there are, of a film its frames. */
export type RecordingFile =
  | { ok: true; recording: Recording; columns: readonly TraceColumn[]; column: string | null }
  | { ok: true; frames: Frames }
  | { ok: false; problem: string };

/**
 * Reads a recorded sound (WAV), a table of a scope or logger (CSV) or an uncompressed film (Y4M), told apart by what is in
 * them and not by their names.
 *
 * @param column of a table, by its name; where left out the first that changes
 */
export function readRecording(bytes: Uint8Array, column?: string): RecordingFile {
  const mark = new TextDecoder('latin1').decode(bytes.subarray(0, 9));
  if (/^(RIFF|RIFX|RF64)/.test(mark)) {
    const read = readWav(bytes);
    return read.ok
      ? { ok: true, recording: { kind: 'sound', sound: read.sound }, columns: [], column: null }
      : read;
  }
  if (mark === 'YUV4MPEG2') {
    const read = readFrames(bytes);
    return read.ok ? { ok: true, frames: read.frames } : read;
  }
  const text = textOfFile(bytes);
  if (!text.ok)
    return {
      ok: false,
      problem: 'This is neither a WAV recording nor a table (CSV) nor an uncompressed film (Y4M).',
    };
  const table = readTraceCsv(text.text);
  if (!table.ok) return table;
  const named = table.columns.find(({ name }) => name === column);
  if (column !== undefined && !named)
    return {
      ok: false,
      problem: `There is no column "${column}". There are: ${table.columns.map(({ name }) => name).join(', ')}.`,
    };
  const chosen = named ?? likeliestColumn(table.columns);
  return chosen
    ? {
        ok: true,
        recording: { kind: 'levels', series: chosen.series },
        columns: table.columns,
        column: chosen.name,
      }
    : { ok: false, problem: 'The table has a time and nothing beside it.' };
}
