import { describe, expect, it } from 'vitest';
import { bell, seeded } from './forTests.ts';
import { readTaps } from './taps.ts';

function even(rate: number, count: number): number[] {
  return Array.from({ length: count }, (_, index) => 3 + (index * 60) / rate);
}

/** Reads taps that are expected to give a rate. */
function rateOf(taps: readonly number[]) {
  const reading = readTaps(taps);
  if (reading.kind !== 'rate') throw new Error(reading.kind);
  return { ...reading, ratePerMinute: reading.rate.perMinute, uncertainty: reading.rate.uncertainty };
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
    expect(missed).toMatchObject({ missed: 1, dropped: 0 });
    const doubled = rateOf([...taps, (taps[4] ?? 0) + 0.09]);
    expect(doubled.ratePerMinute).toBeCloseTo(88, 1);
    expect(doubled).toMatchObject({ missed: 0, dropped: 1 });
  });

  it('says not sure of too few, too uneven and too gappy taps', () => {
    expect(readTaps(even(88, 4))).toMatchObject({ kind: 'not-sure', reason: { why: 'too-few', flashes: 4 } });
    expect(readTaps([0, 1, 1.6, 2.7, 3.1, 4.4, 4.9, 6.2])).toMatchObject({ kind: 'not-sure' });
    expect(readTaps([])).toMatchObject({ kind: 'not-sure', reason: { flashes: 0 } });
    const gappy = even(88, 30).filter((_, index) => index < 4 || index % 3 === 0);
    expect(readTaps(gappy)).toMatchObject({ kind: 'not-sure' });
  });

  it('narrows its uncertainty with more flashes', () => {
    const unsteady = (count: number) =>
      even(88, count).map((moment, index) => moment + 0.03 * Math.sin(index * 2.3));
    expect(rateOf(unsteady(20)).uncertainty).toBeLessThan(rateOf(unsteady(8)).uncertainty / 2);
  });

  it.each([0.02, 0.025, 0.03])('covers the true rate for a hand of %s s in 93 to 97 of 100', (hand) => {
    const random = seeded(7);
    const gauss = bell(random);
    let [covered, runs] = [0, 0];
    for (let round = 0; round < 4000; round++) {
      const rate = 60 + 120 * random();
      const reading = readTaps(even(rate, 12).map((moment) => moment + hand * gauss()));
      if (reading.kind !== 'rate') continue;
      runs += 1;
      if (Math.abs(reading.rate.perMinute - rate) <= reading.rate.uncertainty) covered += 1;
    }
    expect(runs).toBeGreaterThan(3900);
    expect(covered / runs).toBeGreaterThan(0.93);
    expect(covered / runs).toBeLessThan(0.97);
  });
});
