import { afterEach, describe, expect, it } from 'vitest';
import { setClock, shortDate, shortMoment } from './dates.ts';

// CLDR's forms for these languages, as every browser has them.
describe('dates', () => {
  afterEach(() => setClock('system'));

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
    expect(shortMoment('2026-11-25T09:05:30', 'en-US')).toMatch(/^Nov 25, 2026,? (at )?9:05\sAM$/);
  });

  it('have it by the clock somebody chose, whatever the language', () => {
    setClock('24');
    expect(shortMoment('2026-11-25T09:05:30', 'en-US')).toMatch(/ 09:05$/);
    setClock('12');
    expect(shortMoment('2026-11-25T21:05:30', 'en-GB')).toMatch(/ 9:05\spm$/i);
  });
});
