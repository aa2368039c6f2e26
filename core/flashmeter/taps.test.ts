import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readTaps } from './taps.ts';

function even(rate: number, count: number): number[] {
  return Array.from({ length: count }, (_, index) => 3 + (index * 60) / rate);
}

/** Reads taps that are expected to give a rate. */
function rateOf(taps: readonly number[]) {
  const reading = readTaps(taps);
  if (reading.kind !== 'rate') throw new Error(reading.reason);
  return reading;
}

describe('readTaps', () => {
  it('reads ten clean flashes within 1 %', () => {
    for (const rate of [45, 60, 88, 120, 176])
      expect(Math.abs(rateOf(even(rate, 10)).ratePerMinute / rate - 1)).toBeLessThan(0.01);
  });

  it('bridges a missed flash and drops a doubled tap', () => {
    const taps = even(88, 12);
    const missed = rateOf(taps.filter((_, index) => index !== 5));
    expect(missed.ratePerMinute).toBeCloseTo(88, 1);
    expect(missed).toMatchObject({ missed: 1, flashes: 12, doubled: 0 });
    const doubled = rateOf([...taps, (taps[4] ?? 0) + 0.09]);
    expect(doubled.ratePerMinute).toBeCloseTo(88, 1);
    expect(doubled).toMatchObject({ missed: 0, flashes: 12, doubled: 1 });
  });

  it('says not sure of too few, too uneven and too gappy taps', () => {
    expect(readTaps(even(88, 4))).toMatchObject({ kind: 'not-sure', taps: 4 });
    expect(readTaps([0, 1, 1.6, 2.7, 3.1, 4.4, 4.9, 6.2])).toMatchObject({ kind: 'not-sure' });
    expect(readTaps([])).toMatchObject({ kind: 'not-sure', taps: 0 });
    const gappy = even(88, 30).filter((_, index) => index < 4 || index % 3 === 0);
    expect(readTaps(gappy)).toMatchObject({ kind: 'not-sure' });
  });

  it('narrows its uncertainty with more flashes', () => {
    const unsteady = (count: number) =>
      even(88, count).map((moment, index) => moment + 0.03 * Math.sin(index * 2.3));
    expect(rateOf(unsteady(20)).uncertainty).toBeLessThan(rateOf(unsteady(8)).uncertainty / 2);
  });

  it('covers the true rate for a human hand, in about 19 cases of 20', () => {
    let covered = 0;
    let runs = 0;
    const hand = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 36, maxLength: 36 });
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 180 }), hand, (rate, noise) => {
        // Three evenly spread draws summed come near enough to a bell for 30 ms of hand.
        const taps = even(rate, 12).map((moment, index) => {
          const sum = (noise[index] ?? 0) + (noise[index + 12] ?? 0) + (noise[index + 24] ?? 0);
          return moment + 0.03 * sum;
        });
        const reading = readTaps(taps);
        if (reading.kind === 'not-sure') return;
        runs += 1;
        if (Math.abs(reading.ratePerMinute - rate) <= reading.uncertainty) covered += 1;
      }),
      { numRuns: 400, seed: 11 },
    );
    expect(runs).toBeGreaterThan(350);
    expect(covered / runs).toBeGreaterThan(0.9);
  });
});
