import type { Recording } from './readFlash.ts';

/** A recording as it is drawn: moments in s, and how much of its greatest it was, 0 to 1. */
export interface DrawnTrace {
  at: number[];
  level: number[];
}

/** A recording in so many points: of each stretch its least and its greatest, so that no click and no flash is lost. */
export function drawnTrace(recording: Recording, points: number): DrawnTrace {
  if (recording.kind === 'taps') return { at: [], level: [] };
  const { length, moment, value } =
    recording.kind === 'sound' ? ofSound(recording.sound) : ofSeries(recording.series);
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let index = 0; index < length; index++) {
    least = Math.min(least, value(index));
    most = Math.max(most, value(index));
  }
  const span = most - least || 1;
  const stretch = Math.max(1, Math.ceil(length / (points / 2)));
  const at: number[] = [];
  const level: number[] = [];
  const put = (index: number) => {
    at.push(moment(index));
    level.push((value(index) - least) / span);
  };
  for (let from = 0; from < length; from += stretch) {
    let [low, high] = [from, from];
    for (let index = from; index < Math.min(length, from + stretch); index++) {
      if (value(index) < value(low)) low = index;
      if (value(index) > value(high)) high = index;
    }
    put(Math.min(low, high));
    if (low !== high) put(Math.max(low, high));
  }
  return { at, level };
}

function ofSound({ samples, samplesPerSecond }: Extract<Recording, { kind: 'sound' }>['sound']) {
  return {
    length: samples.length,
    moment: (index: number) => index / samplesPerSecond,
    value: (index: number) => Math.abs(samples[index] ?? 0),
  };
}

function ofSeries({ at, values }: Extract<Recording, { kind: 'levels' }>['series']) {
  return {
    length: at.length,
    moment: (index: number) => at[index] ?? 0,
    value: (index: number) => values[index] ?? 0,
  };
}
