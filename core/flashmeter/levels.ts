import { fitHarmonics } from '../numerics/harmonics.ts';
import { type EvenBeat, evenBeat, FEWEST_FLASHES } from './evenBeat.ts';
import { pulsedFeed } from './pulses.ts';
import type { Flash, FlashReading, NoRate, Pulses, Rate } from './reading.ts';
import { averaged, type Series, usualStep } from './series.ts';
import { strongestAbove } from './spectrum.ts';
import { asRuns, strobeFilled, withoutStrobe } from './strobe.ts';
import { type Run, twoLevels } from './twoLevels.ts';

/** Flashes are looked for in steps of this, s: finer tells no more of ten flashes. */
const STEP_SECONDS = 0.01;
/** Fewer samples a second than this, and flashes of 240 a minute cannot be seen. */
const COARSEST = 12;
/** An even beat that explains less of what was recorded than this share is noise. */
const LEAST_EXPLAINED = 0.4;
/** The beat of the flashes' beginnings is off by no more than this share: there the best frequency is looked for. */
const BEAT_WITHIN = 0.06;
/** More flashes unseen than this share, and the count is in doubt. */
const MOST_UNSEEN = 0.12;
/** What scatters less than this share of its mean is still. */
const STILL = 0.08;
/** Harmonics that make a flash's shape, as far as the samples carry them. */
const HARMONICS = 3;
/** Anything faster is a lamp that strobes and no flash, a minute. */
const FASTEST_FLASH = 400;
/** Fewer samples a second than this can beat with a feed that pulses. */
const BEATS_BELOW = 500;

/** What is known of whoever is recorded. */
export interface About {
  /** whether the lamp's feed pulses while it is on, as when it is dimmed; null: nobody knows */
  pulsed: boolean | null;
}

/**
 * The flash rate of a light, a voltage or a current as it was recorded, evenly or not: the two levels it goes between, the
 * flashes, an even beat through their beginnings. What a camera's frames cannot tell of a pulsed lamp is said as two
 * possibilities: a light pulsed at F filmed at f frames a second beats at the least of |F − n·f| (sampling theorem).
 *
 * @param series in any unit; at least twelve samples a second
 * @returns one rate, two possible ones, or why none; never a guess
 */
export function readLevels(series: Series, { pulsed }: About): FlashReading {
  const notSure = (reason: NoRate, flashes: Flash[] = [], pulses: Pulses | null = null): FlashReading => ({
    kind: 'not-sure',
    reason,
    flashes,
    pulses,
  });
  const step = usualStep(series);
  if (series.at.length < 8 || !(step > 0))
    return notSure({ why: 'too-few', flashes: 0, wanted: FEWEST_FLASHES });
  if (step > 1 / COARSEST) return notSure({ why: 'too-coarse', samplesPerSecond: 1 / step });
  const feed = pulsedFeed(series);
  const pulses = feed?.pulses ?? null;
  const even = averaged(feed?.envelope ?? series, STEP_SECONDS);
  if (isFlat(even)) return notSure({ why: 'steady' }, [], pulses);
  const grain = Math.max(step, usualStep(even));
  const first = flashesIn(even, grain);
  // Where no flash is found an LED that strobes may hide it.
  const filled = 'why' in first ? flashesIn(strobeFilled(even), grain) : first;
  const seen = 'why' in filled ? first : filled;
  if ('why' in seen) return notSure(seen.why, seen.flashes, pulses);
  const { flashes, beat, rate } = seen;
  const whole = flashes.filter((flash): flash is { from: number; until: number } => flash.until !== null);
  const lit = whole.reduce((sum, { from, until }) => sum + until - from, 0) / whole.length;
  const found = {
    flashes,
    onShare: whole.length === 0 ? null : lit / beat.period,
    jitter: beat.jitter,
    missed: beat.missed,
    dropped: 0,
    pulses,
  };
  return pulsed !== false && 1 / step < BEATS_BELOW
    ? { kind: 'either', doubt: 'beat', rates: [rate, null], ...found }
    : { kind: 'rate', rate, ...found };
}

/** Flashes with the even beat they make, and the rate; or why none. */
type Beating = { flashes: Flash[]; beat: EvenBeat; rate: Rate } | { why: NoRate; flashes: Flash[] };

/** @param step the time from one sample to the next as it was recorded, s */
function flashesIn(even: Series, step: number): Beating {
  const { runs, even: levelled } = twoLevels(even);
  const merged = withoutStrobe(runs);
  const flashes = flashesOf(merged);
  if (flashes.length < 2 && runs.length <= 3) return { why: whyNothing(even), flashes };
  if (flashes.length < FEWEST_FLASHES)
    return { why: { why: 'too-few', flashes: flashes.length, wanted: FEWEST_FLASHES }, flashes };
  // A sample tells of its step and no finer: evenly spread over a step that is a √12th of it.
  const beat = evenBeat(
    flashes.map(({ from }) => from),
    step / Math.sqrt(12),
  );
  if ('why' in beat) return { why: beat, flashes };
  if (beat.rate.perMinute > FASTEST_FLASH)
    return { why: { why: 'strobe', hertz: beat.rate.perMinute / 60 }, flashes };
  // A flash that goes by unseen is no tap that was missed: on a recording it casts doubt on all.
  if (beat.missed > MOST_UNSEEN * beat.flashes)
    return { why: { why: 'missed', share: beat.missed / beat.flashes }, flashes };
  const rate = sharper(merged.length === runs.length ? levelled : asRuns(levelled.at, merged), beat);
  return rate ? { flashes, beat, rate } : { why: { why: 'noise' }, flashes };
}

/** Why no flash is found: it strobes too fast for the samples to follow, it is noise, or it stays as it is. */
function whyNothing(even: Series): NoRate {
  const peak = strongestAbove(even, FASTEST_FLASH / 60);
  if (peak) return { why: 'strobe', hertz: peak.hertz };
  const mean = even.values.reduce((sum, value) => sum + value, 0) / even.values.length;
  const squares = even.values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / even.values.length;
  return { why: Math.sqrt(squares) > STILL * Math.abs(mean) ? 'noise' : 'steady' };
}

/**
 * The rate by all samples and not by the flashes' beginnings alone: a fundamental and its harmonics near their beat. It is no
 * surer than the step of the recording lets it be.
 *
 * @returns null where no even beat explains the recording
 */
function sharper(levelled: Series, beat: EvenBeat): Rate | null {
  const step = usualStep(levelled);
  const carried = Math.floor((0.45 * beat.period) / step);
  const fit = fitHarmonics(
    levelled.at,
    levelled.values,
    1 / beat.period,
    BEAT_WITHIN,
    Math.max(1, Math.min(HARMONICS, carried)),
  );
  if (!fit || fit.explained < LEAST_EXPLAINED) return null;
  const span = (levelled.at.at(-1) ?? 0) - (levelled.at[0] ?? 0);
  const perMinute = 60 * fit.hertz;
  const grain = (step / Math.sqrt(12) / span) * perMinute;
  return { perMinute, uncertainty: Math.hypot(2 * 60 * fit.error, grain) };
}

function isFlat({ values }: Series): boolean {
  const sorted = Float64Array.from(values).sort();
  const [low, high] = [sorted[0] ?? 0, sorted.at(-1) ?? 0];
  return high - low <= 1e-6 * Math.max(1e-9, Math.abs(high), Math.abs(low));
}

/** Flashes whose beginning was recorded; the last may go on beyond the end. */
function flashesOf(runs: readonly Run[]): Flash[] {
  return runs.flatMap((run, index) =>
    !run.on || index === 0 ? [] : [{ from: run.from, until: index === runs.length - 1 ? null : run.until }],
  );
}
