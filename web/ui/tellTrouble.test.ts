import { describe, expect, it } from 'vitest';
import { troubleWords } from './tellTrouble.ts';

const named = (name: string, message = 'The store said no.') =>
  Object.assign(new Error(message), { name, issues: [{ message: 'Too small' }] });

describe('what is said of something that was not saved', () => {
  it('fits a tap after a tap, and typing after typing', () => {
    expect(troubleWords(named('Error'), false)).toMatch(/Nothing was changed by that tap; tap again/);
    expect(troubleWords(named('Error'), true)).toMatch(/What you typed is still on the screen/);
    expect(troubleWords(named('ZodError'), false)).toBe('Too small. Nothing was changed by that tap.');
  });

  it('says how to make room on a full disk, whoever wraps the error', () => {
    const wrapped = Object.assign(named('AbortError'), { inner: named('QuotaExceededError') });
    for (const error of [named('QuotaExceededError'), wrapped]) {
      expect(troubleWords(error, false)).toMatch(/no room left.*empty the bin.*tap again/);
      expect(troubleWords(error, true)).toMatch(/still on the screen.*type on/);
    }
  });
});
