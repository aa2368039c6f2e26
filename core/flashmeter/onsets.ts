/** A sound as it was recorded. */
export interface Sound {
  samplesPerSecond: number;
  /** full scale is 1 */
  samples: Float32Array;
}

/** A click: when it began, how loud it was and how bright it sounded. */
export interface Click {
  /** s */
  at: number;
  /** its power over the noise about it, dB */
  over: number;
  /** power of its slope over its power: the higher, the brighter */
  colour: number;
}

/** Power is taken over this, in steps of half of it, s: a relay's click lasts a few ms. */
const WINDOW_SECONDS = 0.004;
/** After a click the next is no sooner, s: what follows at once is its echo or its bounce. */
const DEAD_SECONDS = 0.045;
/** A click stands this many standard deviations over the middle of the noise about it. */
const STANDS_OUT = 4.5;
/** And this much over it, dB: a hum that swells is no click. */
const LEAST_DB = 2;
/** The noise is what is in the middle of this long, s. */
const NOISE_SECONDS = 1.5;

/**
 * The clicks of a sound: where its power, the rumble taken off, leaps out of the noise about it.
 *
 * @param sound one channel; at least 2 000 samples a second
 */
export function clicksOf({ samples, samplesPerSecond }: Sound): Click[] {
  const hop = Math.max(1, Math.round((WINDOW_SECONDS * samplesPerSecond) / 2));
  const count = Math.floor(samples.length / hop);
  const power = new Float64Array(count);
  const slope = new Float64Array(count);
  for (let frame = 0; frame < count; frame++) {
    let [sum, steps] = [0, 0];
    for (let index = Math.max(2, frame * hop); index < (frame + 1) * hop; index++) {
      // First difference: an engine's rumble is slow, a click is not.
      const here = (samples[index] ?? 0) - (samples[index - 1] ?? 0);
      const before = (samples[index - 1] ?? 0) - (samples[index - 2] ?? 0);
      sum += here * here;
      steps += (here - before) ** 2;
    }
    power[frame] = sum / hop;
    slope[frame] = steps / hop;
  }
  const quietest = quietFloor(power);
  const level = Float64Array.from(power, (_, frame) =>
    Math.log10(((power[frame] ?? 0) + (power[frame + 1] ?? 0)) / 2 + quietest),
  );
  const hopSeconds = hop / samplesPerSecond;
  const noise = noiseOf(level, Math.round(NOISE_SECONDS / hopSeconds));
  const dead = Math.round(DEAD_SECONDS / hopSeconds);
  const clicks: Click[] = [];
  for (let frame = 0; frame < level.length; frame++) {
    const { middle, scatter } = noise(frame);
    if (!stands(level[frame] ?? 0, middle, scatter)) continue;
    let top = frame;
    for (let next = frame; next < Math.min(level.length, frame + Math.ceil(dead / 3)); next++)
      if ((level[next] ?? 0) > (level[top] ?? 0)) top = next;
    clicks.push({
      at: onset(level, top, middle, hopSeconds),
      over: 10 * ((level[top] ?? 0) - middle),
      colour: (slope[top] ?? 0) / ((power[top] ?? 0) + quietest),
    });
    frame = top + dead;
  }
  return clicks;
}

function stands(level: number, middle: number, scatter: number): boolean {
  return level > middle + Math.max(STANDS_OUT * scatter, LEAST_DB / 10);
}

/** No noise is less than this: a recording with silence between clicks has none at all. */
function quietFloor(power: Float64Array): number {
  let loudest = 0;
  for (const each of power) loudest = Math.max(loudest, each);
  return Math.max(1e-7 * loudest, 1e-18);
}

/** Middle and scatter of the level about a frame, by its median and the distance of its quartile. */
function noiseOf(level: Float64Array, frames: number) {
  const found: { middle: number; scatter: number }[] = [];
  for (let from = 0; from === 0 || from < level.length; from += frames) {
    // A last stretch too short to tell the noise by takes the one before with it.
    const start = Math.max(0, Math.min(from, level.length - frames));
    const sorted = level.slice(start, start + frames).sort();
    const pick = (share: number) => sorted[Math.round(share * (sorted.length - 1))] ?? 0;
    found.push({ middle: pick(0.45), scatter: Math.max(0.01, (pick(0.45) - pick(0.1)) / 1.16) });
  }
  return (frame: number) =>
    found[Math.min(found.length - 1, Math.floor(frame / frames))] ?? { middle: 0, scatter: 1 };
}

/** When the level rose halfway to its top. */
function onset(level: Float64Array, top: number, middle: number, hopSeconds: number): number {
  const half = ((level[top] ?? 0) + middle) / 2;
  let frame = top;
  while (frame > 0 && top - frame < 8 && (level[frame - 1] ?? 0) > half) frame -= 1;
  const [before, after] = [level[frame - 1] ?? middle, level[frame] ?? 0];
  const share = after === before ? 0 : Math.min(1, Math.max(0, (half - before) / (after - before)));
  return (frame + share) * hopSeconds;
}
