import { bell, seeded } from './forTests.ts';
import type { Sound } from './onsets.ts';
import type { Series } from './series.ts';

/** A recording with the truth it was made from. Decidable by how it was made: ten flashes, no alias, the noise as given. */
export interface Recorded<R> {
  recording: R;
  perMinute: number;
  /**
   * power of the signal over that of the noise in the whole band of the recording, dB: of a light its going up and down (half
   * its step, as a square wave has), of a click its first 8 ms
   */
  noiseDb: number;
  seed: number;
}

/** How a recording is made beyond what its seed draws. */
export interface Wanted {
  perMinute?: number;
  noiseDb?: number;
  flashes?: number;
}

/** Root mean square of the first 8 ms of a click of peak 0.4 that dies away in 4 ms. */
const CLICK_RMS = 0.4 * Math.sqrt((0.5 * (1 - Math.exp(-4)) * 0.004) / 2 / 0.008);

const between = (random: () => number, low: number, high: number) => low + random() * (high - low);
const oneOf = <T>(random: () => number, some: readonly T[]): T =>
  some[Math.floor(random() * some.length)] as T;

/** The light of a lamp at a moment of its flash: instant, glowing up and down, or strobing while lit. */
function lightAt(
  seconds: number,
  period: number,
  on: number,
  kind: 'led' | 'filament' | 'strobe',
  strobeHz: number,
): number {
  const phase = ((seconds % period) + period) % period;
  if (kind === 'strobe') return phase < on && (phase * strobeHz) % 1 < 0.6 ? 1 : 0;
  if (kind === 'led') return phase < on ? 1 : 0;
  const [rise, fall] = [0.05, 0.03];
  const top = 1 - Math.exp(-on / rise);
  return phase < on ? 1 - Math.exp(-phase / rise) : top * Math.exp(-(phase - on) / fall);
}

/** Brightness of a lamp as frames of a camera have it, each frame the mean of its exposure. */
export function filmed(
  seed: number,
  wanted: Wanted & { fps?: number; kind?: 'led' | 'filament' | 'strobe'; rolling?: boolean } = {},
): Recorded<Series> {
  const random = seeded(seed);
  const gauss = bell(random);
  const perMinute = wanted.perMinute ?? between(random, 60, 240);
  const noiseDb = wanted.noiseDb ?? between(random, 12, 40);
  const fps = wanted.fps ?? oneOf(random, [24, 25, 30, 60]);
  const kind =
    wanted.kind ?? (perMinute > 150 ? 'led' : oneOf(random, ['led', 'led', 'filament', 'strobe'] as const));
  const rolling = wanted.rolling ?? random() < 0.5;
  const period = 60 / perMinute;
  // The rule's 30 to 75 % of the time, as far as a frame of this camera still sees the dark and the light.
  const shortest = Math.max(0.3, 2.2 / fps / period);
  const on = period * between(random, shortest, Math.max(shortest, 1 - shortest));
  const strobeHz = between(random, 9, 14);
  const exposure = between(random, 0.2, 1) / fps;
  const begins = between(random, 0, period);
  const frames = Math.ceil(((wanted.flashes ?? 10) + 0.6) * period * fps);
  const [drift, driftSeconds, ripple] = rolling ? [0.3, between(random, 5, 12), 0.06] : [0, 1, 0];
  const noise = 0.5 * 10 ** (-noiseDb / 20);
  const at = new Float64Array(frames);
  const values = new Float64Array(frames);
  for (let frame = 0; frame < frames; frame++) {
    const seconds = frame / fps;
    let light = 0;
    const steps = 12;
    for (let step = 0; step < steps; step++)
      light +=
        lightAt(seconds - begins + exposure * ((step + 0.5) / steps - 0.5), period, on, kind, strobeHz) /
        steps;
    const gain = 1 + drift * Math.sin((2 * Math.PI * seconds) / driftSeconds);
    const band = ripple * Math.sin(2 * Math.PI * 7.3 * seconds);
    at[frame] = seconds;
    values[frame] = 90 * (gain * (0.8 + light) + band + noise * gauss());
  }
  return { recording: { at, values }, perMinute, noiseDb, seed };
}

/** Volts of a turn feed as a logger has them, the feed pulsing while it is on where wanted. */
export function logged(
  seed: number,
  wanted: Wanted & { pulses?: { hertz: number; duty: number } | null } = {},
): Recorded<Series> {
  const random = seeded(seed);
  const gauss = bell(random);
  const perMinute = wanted.perMinute ?? between(random, 60, 240);
  const noiseDb = wanted.noiseDb ?? between(random, 12, 40);
  const pulses = wanted.pulses === undefined ? null : wanted.pulses;
  const period = 60 / perMinute;
  const on = period * between(random, 0.3, 0.75);
  const samplesPerSecond = pulses ? 5000 : oneOf(random, [100, 250, 1000]);
  const begins = between(random, 0, period);
  const count = Math.ceil(((wanted.flashes ?? 10) + 0.6) * period * samplesPerSecond);
  const noise = 6.4 * 10 ** (-noiseDb / 20);
  const at = new Float64Array(count);
  const values = new Float64Array(count);
  for (let sample = 0; sample < count; sample++) {
    const seconds = sample / samplesPerSecond;
    const phase = (((seconds - begins) % period) + period) % period;
    const lit = phase < on && (!pulses || (seconds * pulses.hertz) % 1 < pulses.duty);
    at[sample] = seconds;
    values[sample] = (lit ? 12.8 : 0.05) + noise * gauss();
  }
  return { recording: { at, values }, perMinute, noiseDb, seed };
}

/** How the clicks of a relay go wrong. */
export interface ClickTrouble {
  /** share of clicks nobody hears */
  missed?: number;
  /** clicks of something else, a flash */
  stray?: number;
  /** the opening click: at its share of the period; alike or softer; or not to be heard at all */
  onShare?: number;
  softer?: number;
  silentOpening?: boolean;
}

/** Clicks of a flasher relay in noise: a ringing of a few ms as it closes, another as it opens. */
export function heard(seed: number, wanted: Wanted & ClickTrouble = {}): Recorded<Sound> {
  const random = seeded(seed);
  const gauss = bell(random);
  const perMinute = wanted.perMinute ?? between(random, 60, 240);
  const noiseDb = wanted.noiseDb ?? between(random, 12, 40);
  const period = 60 / perMinute;
  // Away from an even spread: an even one with clicks alike is not decidable.
  const onShare =
    wanted.onShare ?? (random() < 0.5 ? between(random, 0.3, 0.42) : between(random, 0.58, 0.75));
  const softer = wanted.softer ?? between(random, 0.75, 1);
  const samplesPerSecond = 8000;
  const begins = between(random, 0.1, period);
  const flashes = wanted.flashes ?? 10;
  const samples = new Float32Array(Math.ceil((begins + (flashes + 0.4) * period) * samplesPerSecond));
  const noise = CLICK_RMS * 10 ** (-noiseDb / 20);
  for (let index = 0; index < samples.length; index++)
    samples[index] =
      noise * gauss() + (noise > 0 ? 0.05 * Math.sin((2 * Math.PI * 31 * index) / samplesPerSecond) : 0);
  const click = (seconds: number, peak: number, hertz: number) => {
    const from = Math.round(seconds * samplesPerSecond);
    for (let index = 0; index < 0.02 * samplesPerSecond; index++) {
      const since = index / samplesPerSecond;
      const ring = peak * Math.exp(-since / 0.004) * Math.sin(2 * Math.PI * hertz * since + 1);
      if (from + index < samples.length) samples[from + index] = (samples[from + index] ?? 0) + ring;
    }
  };
  const jitter = () => 0.0015 * gauss();
  for (let flash = 0; flash < flashes; flash++) {
    const closes = begins + flash * period;
    if (random() >= (wanted.missed ?? 0)) click(closes + jitter(), 0.4, 2300);
    if (!wanted.silentOpening && random() >= (wanted.missed ?? 0))
      click(closes + onShare * period + jitter(), 0.4 * softer, 2100);
    if (random() < (wanted.stray ?? 0)) click(closes + random() * period, 0.4, 1500);
  }
  return { recording: { samplesPerSecond, samples }, perMinute, noiseDb, seed };
}
