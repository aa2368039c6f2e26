import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitLine, median, quantile, studentT95 } from './regression.ts';
import { falsePosition, lastThat, leastAt } from './rootFinding.ts';

describe('falsePosition', () => {
  const root = (of: (at: number) => number, below: number, above: number) =>
    falsePosition(of, { below, above, valueBelow: of(below), valueAbove: of(above) });

  it('finds the square root of two, whichever end is under nought', () => {
    expect(root((x) => x * x - 2, 1, 2)).toBeCloseTo(Math.SQRT2, 5);
    expect(root((x) => 2 - x * x, 2, 1)).toBeCloseTo(Math.SQRT2, 5);
  });

  it('ends where the function is not under nought, however curved it is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.integer({ min: 1, max: 9 }),
        (at, power) => {
          const of = (x: number) => x ** power - at ** power;
          const found = root(of, 0, 1);
          expect(of(found)).toBeGreaterThanOrEqual(0);
          expect(found).toBeCloseTo(at, 4);
        },
      ),
    );
  });

  it('of a straight line needs one step', () => {
    let asked = 0;
    const of = (x: number) => {
      asked += 1;
      return 3 * x - 1.5;
    };
    expect(falsePosition(of, { below: 0, above: 1, valueBelow: -1.5, valueAbove: 1.5 })).toBe(0.5);
    expect(asked).toBe(1);
  });
});

describe('lastThat and leastAt', () => {
  it('halve to where a condition ends', () => {
    expect(lastThat((x) => x <= 7.25, 0, 10)).toBeCloseTo(7.25, 5);
    expect(lastThat(() => true, 0, 10)).toBeCloseTo(10, 5);
  });

  it('find the bottom of a valley', () => {
    expect(leastAt((x) => (x - 3.2) ** 2, 0, 10)).toBeCloseTo(3.2, 5);
  });
});

describe('a line through points', () => {
  it('goes through those that lie on one, and says how far the others scatter', () => {
    expect(fitLine([0, 1, 2, 3], [1, 3, 5, 7])).toMatchObject({ slope: 2, residual: 0, spread: 5 });
    // By hand: mean 1.5 and 1.45, products 4.5 over squares 5; the squares left over add up to 0.06.
    const line = fitLine([0, 1, 2, 3], [0.1, 0.9, 2.1, 2.7]);
    expect(line.slope).toBeCloseTo(0.9, 12);
    expect(line.residual).toBeCloseTo(Math.sqrt(0.06 / 2), 12);
  });

  it('knows the middle, the quarter and Student’s factor', () => {
    expect(median([5, 1, 3])).toBe(3);
    expect(quantile([1, 2, 3, 4, 5], 0.75)).toBe(4);
    expect(quantile([], 0.5)).toBeNaN();
    // Student's t, two-sided 95 %: 12.71 for one degree of freedom, 2.23 for ten (printed tables, from memory).
    expect([studentT95(1), studentT95(10)]).toEqual([12.71, 2.23]);
    expect(studentT95(1000)).toBeCloseTo(1.962, 2);
  });
});
