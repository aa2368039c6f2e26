import type { FlashReading, Rate } from './reading.ts';

/** Rates nearer than this share, with their intervals, are the same. */
const SAME = 0.01;

/** Whether two rates may be one. */
export function sameRate(a: Rate, b: Rate): boolean {
  const apart = Math.abs(a.perMinute - b.perMinute);
  return apart <= SAME * a.perMinute + Math.hypot(a.uncertainty, b.uncertainty);
}

/**
 * A reading in doubt, with what a look showed: which of its rates it was, or that nothing flashed.
 *
 * @param index of the rate in `rates`
 */
export function confirmed(reading: FlashReading, index: number): FlashReading {
  if (reading.kind !== 'either') return reading;
  const { doubt, rates, kind, ...found } = reading;
  const rate = rates[index];
  return rate
    ? { kind: 'rate', rate, ...found }
    : { kind: 'not-sure', reason: { why: 'steady' }, flashes: [], pulses: found.pulses };
}

/**
 * Two recordings of one lamp at different frame rates, laid together. A flash has the same rate in both; a pulsed lamp beats
 * otherwise with another frame rate, or not at all (sampling theorem: |F − n·f| at its least, and f is another).
 *
 * @returns the first with its doubt settled where the second settles it
 */
export function withSecondFrameRate(
  first: FlashReading,
  second: FlashReading,
  framesPerSecond: readonly [number, number],
): FlashReading {
  if (first.kind !== 'either' || first.doubt !== 'beat') return first;
  const [a, b] = framesPerSecond;
  // One a multiple of the other folds the same beat down to the same place.
  const ratio = Math.max(a, b) / Math.min(a, b);
  if (Math.abs(ratio - Math.round(ratio)) < 0.02) return first;
  const rate = first.rates.find((each) => each !== null);
  const other = second.kind === 'not-sure' ? null : second.kind === 'rate' ? second.rate : second.rates[0];
  if (rate && other)
    return confirmed(first, sameRate(rate, other) ? first.rates.indexOf(rate) : first.rates.indexOf(null));
  if (second.kind === 'not-sure' && ['steady', 'strobe'].includes(second.reason.why))
    return confirmed(first, first.rates.indexOf(null));
  return first;
}

/** Left against right: how much faster one is than the other, and whether that is more than chance. */
export interface SideBySide {
  /** left over right, 1 where they are the same */
  ratio: number;
  /** half-width of its 95 % interval */
  uncertainty: number;
  apart: boolean;
}

/** The rates of two sides compared; a slower clock of one phone is in both. */
export function sideBySide(left: Rate, right: Rate): SideBySide {
  const ratio = left.perMinute / right.perMinute;
  const uncertainty =
    ratio * Math.hypot(left.uncertainty / left.perMinute, right.uncertainty / right.perMinute);
  return { ratio, uncertainty, apart: Math.abs(ratio - 1) > Math.max(uncertainty, SAME) };
}
