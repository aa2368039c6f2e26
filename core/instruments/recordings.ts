import type { Sound } from '../flashmeter/onsets.ts';
import { nearBell } from '../numerics/random.ts';
import type { BenchVehicle } from './benchVehicle.ts';

/** A relay's clicks as a microphone beside it would hear them (invented: two rings of a few ms, the opening one softer). */
const CLICK = { closes: { peak: 0.5, hertz: 2300 }, opens: { peak: 0.4, hertz: 1900 }, dies: 0.004 } as const;
const SAMPLES_A_SECOND = 16_000;
/** Pictures of a lamp in the dark, so many pixels. */
export const FILM_SIZE = { width: 96, height: 64 } as const;

/**
 * The clicks of the flasher as a sound.
 *
 * @param noise root mean square of white noise beside them, full scale 1
 * @param random uniform on [0, 1)
 */
export function recordedClicks(
  vehicle: BenchVehicle,
  seconds: number,
  noise: number,
  random: () => number,
): Sound {
  const samples = new Float32Array(Math.round(seconds * SAMPLES_A_SECOND));
  for (let at = 0; at < samples.length; at++) samples[at] = noise * nearBell(random);
  for (const { at, closes } of vehicle.clicks(seconds)) {
    const { peak, hertz } = closes ? CLICK.closes : CLICK.opens;
    const from = Math.round(at * SAMPLES_A_SECOND);
    for (let index = 0; index < 0.03 * SAMPLES_A_SECOND && from + index < samples.length; index++) {
      const since = index / SAMPLES_A_SECOND;
      samples[from + index] =
        (samples[from + index] ?? 0) +
        peak * Math.exp(-since / CLICK.dies) * Math.sin(2 * Math.PI * hertz * since + 0.7);
    }
  }
  return { samplesPerSecond: SAMPLES_A_SECOND, samples };
}

/**
 * A film of one lamp: its light on a disc in the middle of a dark picture, each frame the light at its moment.
 *
 * @param noise standard deviation of a pixel, of 255
 * @throws RangeError for a lamp the vehicle has not
 */
export function filmedLamp(
  vehicle: BenchVehicle,
  lampId: string,
  { framesPerSecond, seconds, noise }: { framesPerSecond: number; seconds: number; noise: number },
  random: () => number,
): Uint8Array[] {
  const { width, height } = FILM_SIZE;
  const { ratePerMinute, periodSeconds } = vehicle.traces;
  const brightest = Math.max(1e-9, vehicle.lumens(lampId).most);
  const lightAt = (moment: number) =>
    vehicle.lumensAt(lampId, ratePerMinute === null ? 0 : (moment / periodSeconds) % 1);
  return Array.from({ length: Math.round(seconds * framesPerSecond) }, (_, frame) => {
    const level = 24 + 200 * Math.min(1, lightAt(frame / framesPerSecond) / brightest);
    const picture = new Uint8Array(width * height);
    for (let row = 0; row < height; row++)
      for (let column = 0; column < width; column++) {
        const lit = Math.hypot(column - width / 2, row - height / 2) < height / 4;
        const grain = noise === 0 ? 0 : noise * nearBell(random);
        picture[row * width + column] = Math.min(255, Math.max(0, (lit ? level : 18) + grain));
      }
    return picture;
  });
}
