import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { whenSeen } from './whenSeen.ts';

const HOUR = 3600_000;
const start = Date.parse('2026-11-20T10:00:00.000Z');
const at = (ms: number) => ({ at: new Date(ms).toISOString() });
const year = 365 * 24 * HOUR;

describe('when something was seen', () => {
  it('is its own time where the times go with the order they were told in', () => {
    const record = [0, 1, 5, 30].map((hours) => at(start + hours * HOUR));
    expect(whenSeen(record).map(({ ms }) => (ms - start) / HOUR)).toEqual([0, 1, 5, 30]);
    expect(whenSeen(record).every(({ possible }) => possible)).toBe(true);
  });

  it('is that of what was told next where the clock was an hour or a year ahead', () => {
    for (const ahead of [HOUR, year]) {
      const [first, second] = whenSeen([at(start + ahead), at(start + 60_000)]);
      expect(first).toEqual({ ms: start + 60_000, possible: false });
      expect(second).toEqual({ ms: start + 60_000, possible: true });
    }
  });

  it('is no time that is yet to come, however many say so', () => {
    const future = [at(start + year), at(start + year + 1000), at(start + year + 2000)];
    const seen = whenSeen([...future, at(start)], start + 5000);
    expect(seen.map(({ possible }) => possible)).toEqual([false, false, false, true]);
    expect(new Set(seen.map(({ ms }) => ms))).toEqual(new Set([start]));
    expect(whenSeen([at(start + year)], start)[0]).toEqual({ ms: start, possible: false });
  });

  it('marks a clock that fell back to its factory date, and takes the ones around it', () => {
    const seen = whenSeen([at(start), at(0), at(start + HOUR)]);
    expect(seen.map(({ possible }) => possible)).toEqual([true, false, true]);
    expect(seen[1]?.ms).toBe(start + HOUR);
  });

  it('makes nothing of a clock set by seconds, nor of what another job’s record says', () => {
    expect(whenSeen([at(start + 20_000), at(start)]).every(({ possible }) => possible)).toBe(true);
    const taken = { ...at(start - year), from: { job: 'another' } };
    expect(whenSeen([at(start), taken, at(start + HOUR)])).toEqual([
      { ms: start, possible: true },
      { ms: start - year, possible: true },
      { ms: start + HOUR, possible: true },
    ]);
  });

  it('never falls, and believes no fewer times than any other choice could', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 9 }), (hours) => {
        const seen = whenSeen(hours.map((each) => at(start + each * HOUR)));
        for (let index = 1; index < seen.length; index++)
          expect(seen[index]?.ms).toBeGreaterThanOrEqual(seen[index - 1]?.ms ?? 0);
        // Every subset, tried one by one.
        let most = 0;
        for (let mask = 0; mask < 1 << hours.length; mask++) {
          const kept = hours.filter((_, index) => mask & (1 << index));
          if (kept.every((each, index) => index === 0 || each >= (kept[index - 1] ?? 0)))
            most = Math.max(most, kept.length);
        }
        expect(seen.filter(({ possible }) => possible).length).toBeGreaterThanOrEqual(most);
      }),
      { numRuns: 200 },
    );
  });
});
