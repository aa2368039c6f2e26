import { describe, expect, it } from 'vitest';
import { monthsAfter } from './monthsAfter.ts';

describe('a warranty', () => {
  it.each([
    ['2026-11-30', 24, '2028-11-30'],
    ['2026-01-31', 1, '2026-02-28'],
    ['2028-01-31T10:00:00.000Z', 1, '2028-02-29'],
    ['2026-12-15', 12, '2027-12-15'],
    ['2026-03-01', 0, '2026-03-01'],
  ])('from %s for %i months runs until %s', (from, months, until) => {
    expect(monthsAfter(from, months)).toBe(until);
  });
});
