import { describe, expect, it } from 'vitest';
import { rateWords } from '../../words/rates.ts';

describe('rateWords', () => {
  it.each([
    [{ low: 176, high: 176 }, '176 a minute'],
    [{ low: 88, high: 176 }, '88 or 176 a minute'],
    [{ low: 0, high: 85.4 }, '85 a minute, or no flash'],
    [{ low: 0, high: 0 }, 'no flash'],
  ])('of %o are %s', (rate, words) => {
    expect(rateWords(rate)).toBe(words);
  });
});
