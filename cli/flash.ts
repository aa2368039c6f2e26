import { readFile } from 'node:fs/promises';
import { type Recording, readFlash } from '../core/flashmeter/readFlash.ts';
import type { FlashReading } from '../core/flashmeter/reading.ts';
import { usualStep } from '../core/flashmeter/series.ts';
import { withSecondFrameRate } from '../core/flashmeter/settle.ts';
import { patchBrightness } from '../core/formats/frames.ts';
import { readRecording } from '../core/formats/recording.ts';
import { flashReadingWords } from '../core/words/flashMeter.ts';
import { EXIT, type Output } from './output.ts';

export const FLASH_OPTIONS = {
  column: { type: 'string' },
  pulsed: { type: 'string' },
} as const;
export type FlashFlags = { column?: string; pulsed?: string };

const WHOLE = { left: 0, top: 0, width: 1, height: 1 };

/** `vumble flash`: the flash rate of a recording; of two, the second settles what the frames of the first leave open. */
export async function flash(
  paths: readonly string[],
  flags: FlashFlags & { json?: boolean },
  output: Output,
): Promise<number> {
  const pulsed = { yes: true, no: false, unknown: null }[flags.pulsed ?? 'unknown'];
  if (pulsed === undefined) {
    output.error('--pulsed is yes, no or unknown: whether the feed pulses while the lamp is on.');
    return EXIT.badInput;
  }
  const readings: { reading: FlashReading; framesPerSecond: number }[] = [];
  for (const path of paths) {
    const recording = await recordingOf(path, flags.column);
    if (typeof recording === 'string') {
      output.error(`${path}: ${recording}`);
      return EXIT.badInput;
    }
    const framesPerSecond = recording.kind === 'levels' ? 1 / usualStep(recording.series) : 0;
    readings.push({ reading: readFlash(recording, { pulsed }), framesPerSecond });
  }
  const [first, second] = readings;
  if (!first) return EXIT.badInput;
  const reading = second
    ? withSecondFrameRate(first.reading, second.reading, [first.framesPerSecond, second.framesPerSecond])
    : first.reading;
  output.out(flags.json ? JSON.stringify(asJson(reading), null, 2) : flashReadingWords(reading));
  return reading.kind === 'rate' ? EXIT.fine : EXIT.fallsShort;
}

async function recordingOf(path: string, column: string | undefined): Promise<Recording | string> {
  let bytes: Uint8Array;
  try {
    bytes = new Uint8Array(await readFile(path));
  } catch (error) {
    return `cannot be read: ${(error as Error).message}`;
  }
  const read = readRecording(bytes, column);
  if (!read.ok) return read.problem;
  return 'frames' in read ? { kind: 'levels', series: patchBrightness(read.frames, WHOLE) } : read.recording;
}

function asJson(reading: FlashReading) {
  const { flashes, pulses } = reading;
  const rate = reading.kind === 'rate' ? reading.rate : null;
  return {
    ratePerMinute: rate && Number(rate.perMinute.toFixed(3)),
    uncertaintyPerMinute: rate && Number(rate.uncertainty.toFixed(3)),
    reason: reading.kind === 'rate' ? null : flashReadingWords(reading),
    possibleRatesPerMinute:
      reading.kind === 'either' ? reading.rates.map((each) => each && Number(each.perMinute.toFixed(3))) : [],
    onShare: reading.kind === 'not-sure' ? null : reading.onShare,
    jitterSeconds: reading.kind === 'not-sure' ? null : reading.jitter,
    pulses,
    flashes,
  };
}
