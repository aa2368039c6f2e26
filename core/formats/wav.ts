import wavefile from 'wavefile';
import type { Sound } from '../flashmeter/onsets.ts';

/** Larger than any recording of a relay needs to be, bytes. */
export const WAV_MAX_BYTES = 64 * 1024 * 1024;
/** A click needs so many samples a second, and nobody records with more. */
const SAMPLE_RATES = [2000, 400_000] as const;
/** Longer tells no more, s. */
const LONGEST_SECONDS = 180;

/** A sound that was read, or what is wrong with the file and what to do. */
export type WavResult = { ok: true; sound: Sound } | { ok: false; problem: string };

/**
 * Reads a RIFF WAV file a stranger may have made: its channels are joined to one. Only the first three minutes are taken.
 *
 * Source of the format: RIFF WAVE, read by the `wavefile` package.
 */
export function readWav(bytes: Uint8Array): WavResult {
  if (bytes.length > WAV_MAX_BYTES)
    return { ok: false, problem: 'The recording is over 64 MB. Cut it to a minute: ten flashes will do.' };
  let channels: Float64Array[];
  let samplesPerSecond: number;
  try {
    const file = new wavefile.WaveFile(bytes);
    const format = file.fmt as { sampleRate?: number; numChannels?: number };
    samplesPerSecond = Number(format.sampleRate);
    if ((format.numChannels ?? 0) < 1 || (format.numChannels ?? 0) > 8) return notWav();
    file.toBitDepth('64');
    const samples = file.getSamples(false, Float64Array) as unknown as Float64Array | Float64Array[];
    channels = Array.isArray(samples) ? samples : [samples];
  } catch {
    return notWav();
  }
  const [least, most] = SAMPLE_RATES;
  if (!(samplesPerSecond >= least && samplesPerSecond <= most))
    return {
      ok: false,
      problem: `${samplesPerSecond} samples a second: a click needs ${least} to ${most}. Record it anew.`,
    };
  const count = Math.min(channels[0]?.length ?? 0, LONGEST_SECONDS * samplesPerSecond);
  if (count === 0) return { ok: false, problem: 'There is no sound in this file. Record it anew.' };
  const samples = new Float32Array(count);
  for (const channel of channels)
    for (let index = 0; index < count; index++) {
      const sample = channel[index] ?? 0;
      samples[index] = (samples[index] ?? 0) + (Number.isFinite(sample) ? sample : 0) / channels.length;
    }
  return { ok: true, sound: { samplesPerSecond, samples } };
}

function notWav(): WavResult {
  return { ok: false, problem: 'This is no WAV file that can be read. Save the recording as WAV, PCM.' };
}

/** A sound as a RIFF WAV file of 16 bits, one channel. */
export function writeWav({ samples, samplesPerSecond }: Sound): Uint8Array {
  const file = new wavefile.WaveFile();
  const ints = Int16Array.from(samples, (sample) => Math.round(32_767 * Math.min(1, Math.max(-1, sample))));
  file.fromScratch(1, samplesPerSecond, '16', ints);
  return file.toBuffer();
}
