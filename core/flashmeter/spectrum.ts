import FFT from 'fft.js';
import { type Series, usualStep } from './series.ts';

/** Longest stretch that is transformed, samples: more tells no more of a pulsed feed. */
const MOST_SAMPLES = 1 << 16;
/** A peak stands out by this factor of the middle of the spectrum, in power. */
const STANDS_OUT = 60;

/** A peak of a spectrum. */
export interface Peak {
  hertz: number;
  /** its power over the middle of all above the bound */
  over: number;
}

/**
 * Power of an even series at each frequency, its mean taken off, under a Hann window.
 *
 * @returns powers from 0 Hz in steps of `stepHertz`
 */
export function powerSpectrum(series: Series): { powers: Float64Array; stepHertz: number } {
  const step = usualStep(series);
  const size = 2 ** Math.floor(Math.log2(Math.min(MOST_SAMPLES, series.values.length)));
  const mean = series.values.slice(0, size).reduce((sum, value) => sum + value, 0) / size;
  const windowed = Array.from({ length: size }, (_, index) => {
    const hann = 0.5 - 0.5 * Math.cos((2 * Math.PI * index) / size);
    return hann * ((series.values[index] ?? 0) - mean);
  });
  const transform = new FFT(size);
  const out = transform.createComplexArray();
  transform.realTransform(out, windowed);
  const powers = Float64Array.from({ length: size / 2 }, (_, index) => {
    return (out[2 * index] ?? 0) ** 2 + (out[2 * index + 1] ?? 0) ** 2;
  });
  return { powers, stepHertz: 1 / (size * step) };
}

/** The lowest peak above a frequency that stands out, or null: its harmonics stand out too. */
export function strongestAbove(series: Series, hertz: number): Peak | null {
  if (series.values.length < 256) return null;
  const { powers, stepHertz } = powerSpectrum(series);
  const from = Math.ceil(hertz / stepHertz);
  const above = powers.slice(from);
  const middle = Float64Array.from(above).sort()[above.length >> 1] ?? 0;
  let top = 0;
  for (let index = 1; index < above.length; index++) if ((above[index] ?? 0) > (above[top] ?? 0)) top = index;
  const strongest = above[top] ?? 0;
  if (above.length < 16 || !(strongest > STANDS_OUT * Math.max(middle, 1e-12))) return null;
  return { hertz: (from + top) * stepHertz, over: strongest / Math.max(middle, 1e-12) };
}
