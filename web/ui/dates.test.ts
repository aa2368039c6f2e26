import { describe, expect, it } from 'vitest';
import { shortDate, shortMoment } from './dates.ts';

// CLDR's forms for these languages, as every browser has them.
describe('dates', () => {
  it.each([
    ['en-GB', '25 Nov 2026'],
    ['en-US', 'Nov 25, 2026'],
    ['de-DE', '25. Nov. 2026'],
    ['fr-FR', '25 nov. 2026'],
  ])('in %s have their month in letters', (locale, written) => {
    expect(shortDate('2026-11-25T12:00:00', locale)).toBe(written);
  });

  it('have the time of day to the minute where it matters', () => {
    expect(shortMoment('2026-11-25T09:05:30', 'en-GB')).toMatch(/^25 Nov 2026,? (at )?09:05$/);
  });
});
