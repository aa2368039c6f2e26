import { expect, it } from 'vitest';
import { bulbById } from '../catalogue/bulbs.ts';
import type { Bulb } from '../model/bulb.ts';
import { findEntries, referenceEntries } from '../reference/entries.ts';
import { bulbWatts } from './bulbs.ts';

it('a P21W is called what is printed on it, and what it takes is said beside it', () => {
  const said = (id: string) => bulbWatts(bulbById(id) as Bulb);
  expect(said('P21W')).toBe('21 W, takes about 25 W');
  // The trade's number says no watts: what it takes is all there is to say.
  expect(said('1156')).toMatch(/^2\d(\.\d)? W$/);
  expect(findEntries(referenceEntries(), 'P21W')[0]?.detail).toContain('21 W, takes about 25 W');
});
