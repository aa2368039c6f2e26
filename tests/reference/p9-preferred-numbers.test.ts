/** IEC 60063 preferred number series, from memory. */
import { expect, it } from 'vitest';
import { E12, E24, seriesBetween } from '../../core/catalogue/eSeries.ts';

it('P9: E12 is 10 12 15 18 22 27 33 39 47 56 68 82', () => {
  expect(E12.map((value) => Math.round(value * 10))).toEqual([
    10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82,
  ]);
});

it('P9: E24 adds 11 13 16 20 24 30 36 43 51 62 75 91', () => {
  const added = E24.filter((value) => !(E12 as readonly number[]).includes(value)).map((value) =>
    Math.round(value * 10),
  );
  expect(added).toEqual([11, 13, 16, 20, 24, 30, 36, 43, 51, 62, 75, 91]);
  expect(E24.length).toBe(24);
});

it('P9: every step of a series is about the same ratio, across decades too', () => {
  for (const [series, count] of [
    [E12, 12],
    [E24, 24],
  ] as const) {
    const values = seriesBetween(series, 1, 1000);
    expect(values.length).toBe(3 * count + 1);
    values.slice(1).forEach((value, index) => {
      expect(value / (values[index] ?? Number.NaN) / 10 ** (1 / count)).toBeGreaterThan(0.93);
      expect(value / (values[index] ?? Number.NaN) / 10 ** (1 / count)).toBeLessThan(1.07);
    });
  }
});

it('P9: a range is cut exactly at its ends, and needs a lower end above zero', () => {
  expect(seriesBetween(E12, 5.6, 10)).toEqual([5.6, 6.8, 8.2, 10]);
  expect(seriesBetween(E12, 0.9, 1.3)).toEqual([1, 1.2]);
  expect(() => seriesBetween(E12, 0, 10)).toThrow(RangeError);
});
