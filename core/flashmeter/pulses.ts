import { fitLine, median, quantile } from '../numerics/regression.ts';
import type { Pulses } from './reading.ts';
import { averaged, type Series, usualStep } from './series.ts';
import { strongestAbove } from './spectrum.ts';

/** Nothing slower is a pulsed feed, Hz: the fastest flash there is has a twentieth of it. */
const SLOWEST_PULSES = 20;
/** A pulse needs so many samples for its duty to be read. */
const SAMPLES_A_PULSE = 6;

/** A pulsed feed, and how strongly it was on over time: nought in the pauses of a flash. */
export interface PulsedFeed {
  pulses: Pulses;
  /** the share of the high level over stretches of one pulse and more */
  envelope: Series;
}

/**
 * Frequency and duty of a feed that pulses while it is on, and its envelope, in which only the flashes are left.
 *
 * @returns null where it does not pulse, or is recorded too coarsely to tell
 */
export function pulsedFeed(series: Series): PulsedFeed | null {
  const step = usualStep(series);
  if (!(step > 0) || 1 / step < SLOWEST_PULSES * SAMPLES_A_PULSE) return null;
  const peak = strongestAbove(series, SLOWEST_PULSES);
  if (peak === null || peak.hertz * step * SAMPLES_A_PULSE > 1) return null;
  const sorted = Float64Array.from(series.values).sort();
  const [low, high] = [
    sorted[Math.floor(0.01 * sorted.length)] ?? 0,
    sorted[Math.ceil(0.99 * sorted.length) - 1] ?? 0,
  ];
  const rises = risesOf(series, low, high);
  const period = 1 / peak.hertz;
  // A pulse within a train follows one and is followed by one at a period's distance.
  const inTrain = rises.filter(
    ({ at, next }) => next !== null && Math.abs(next - at - period) < 0.25 * period,
  );
  if (inTrain.length < 8) return null;
  return {
    pulses: {
      hertz:
        1 /
        periodOf(
          inTrain.map(({ at, next }) => [at, next ?? 0]),
          period,
        ),
      duty: median(inTrain.map(({ onFor }) => onFor)) / period,
    },
    envelope: averaged(series, Math.max(period * Math.ceil(0.01 / period), step)),
  };
}

interface Rise {
  at: number;
  /** s until it fell again */
  onFor: number;
  /** the next rise */
  next: number | null;
}

function risesOf({ at, values }: Series, low: number, high: number): Rise[] {
  const middle = (low + high) / 2;
  const margin = (high - low) / 5;
  const rises: Rise[] = [];
  let on = (values[0] ?? 0) > middle;
  const crossed = (index: number) => {
    const [before, after] = [values[index - 1] ?? 0, values[index] ?? 0];
    const share = before === after ? 0.5 : Math.min(1, Math.max(0, (middle - before) / (after - before)));
    return (at[index - 1] ?? 0) + share * ((at[index] ?? 0) - (at[index - 1] ?? 0));
  };
  for (let index = 1; index < at.length; index++) {
    const value = values[index] ?? 0;
    const last = rises.at(-1);
    if (!on && value > middle + margin) {
      on = true;
      const moment = crossed(index);
      if (last) last.next = moment;
      rises.push({ at: moment, onFor: 0, next: null });
    } else if (on && value < middle - margin) {
      on = false;
      if (last) last.onFor = crossed(index) - last.at;
    }
  }
  return rises;
}

/** The period by a line through the longest train without a break, s. */
function periodOf(pairs: readonly (readonly [number, number])[], near: number): number {
  let longest: number[] = [];
  let train: number[] = [];
  for (const [at, next] of pairs) {
    if (train.at(-1) !== at) train = [at];
    train.push(next);
    if (train.length > longest.length) longest = train;
  }
  if (longest.length < 4)
    return (
      quantile(
        pairs.map(([at, next]) => next - at),
        0.5,
      ) || near
    );
  return fitLine(
    longest.map((_, index) => index),
    longest,
  ).slope;
}
