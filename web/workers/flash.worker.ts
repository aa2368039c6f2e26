import './writesAsHere.ts';
import { expose } from 'comlink';
import { type DrawnTrace, drawnTrace } from '../../core/flashmeter/drawn.ts';
import type { About } from '../../core/flashmeter/levels.ts';
import { type Recording, readFlash } from '../../core/flashmeter/readFlash.ts';
import type { FlashReading } from '../../core/flashmeter/reading.ts';
import { usualStep } from '../../core/flashmeter/series.ts';
import { type Patch, patchBrightness } from '../../core/formats/frames.ts';
import { readRecording } from '../../core/formats/recording.ts';
import { traceCsv } from '../../core/formats/traceCsv.ts';
import { writeWav } from '../../core/formats/wav.ts';

/** So many points draw a recording on any screen. */
const POINTS = 1600;
/** The largest file that is read, bytes. */
const MOST_BYTES = 400 * 1024 * 1024;

/** A recording as it was read, with how it is drawn. */
export interface FlashResult {
  reading: FlashReading;
  trace: DrawnTrace;
  /** of a camera, a film or a table; nothing of a sound */
  samplesPerSecond: number | null;
  kind: Recording['kind'];
  /** of a table */
  columns: readonly string[];
  column: string | null;
  /** of an uncompressed film: its first frame, to choose a patch on */
  picture: { width: number; height: number; luma: Uint8Array } | null;
}

function resultOf(recording: Recording, about: About): FlashResult {
  return {
    reading: readFlash(recording, about),
    trace: drawnTrace(recording, POINTS),
    samplesPerSecond: recording.kind === 'levels' ? 1 / usualStep(recording.series) : null,
    kind: recording.kind,
    columns: [],
    column: null,
    picture: null,
  };
}

/** What reads flashes, live or out of a file, by the one path of the engine. */
const api = {
  /** What a microphone or camera has recorded so far, or taps. */
  read(recording: Recording, about: About): FlashResult {
    return resultOf(recording, about);
  },
  /** What was recorded, as a file: a sound as WAV, brightness as a table. Taps leave none. */
  file(recording: Recording): File | null {
    if (recording.kind === 'taps') return null;
    return recording.kind === 'sound'
      ? new File([writeWav(recording.sound) as Uint8Array<ArrayBuffer>], 'relay-clicks.wav', {
          type: 'audio/wav',
        })
      : new File([traceCsv(recording.series, 'brightness')], 'lamp.csv', { type: 'text/csv' });
  },
  /** A file: a sound, a table or an uncompressed film. A string says what is wrong with it. */
  async readFile(
    file: File,
    { about, column, patch }: { about: About; column: string | null; patch: Patch },
  ): Promise<FlashResult | string> {
    if (file.size > MOST_BYTES) return 'The file is over 400 MB. Cut it to ten flashes.';
    const read = readRecording(new Uint8Array(await file.arrayBuffer()), column ?? undefined);
    if (!read.ok) return read.problem;
    if (!('frames' in read)) {
      return {
        ...resultOf(read.recording, about),
        columns: read.columns.map(({ name }) => name),
        column: read.column,
      };
    }
    const { frames } = read;
    return {
      ...resultOf({ kind: 'levels', series: patchBrightness(frames, patch) }, about),
      picture: { width: frames.width, height: frames.height, luma: frames.luma(0).slice() },
    };
  },
};
export type FlashWorker = typeof api;
expose(api);
