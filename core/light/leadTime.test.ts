import { describe, expect, it } from 'vitest';
import { BULBS, bulbById } from '../catalogue/bulbs.ts';
import { leadSeconds, metresIn } from './leadTime.ts';

const bulb = (id: string) => {
  const found = bulbById(id);
  if (!found) throw new Error(`no bulb ${id}`);
  return found;
};

describe('how much sooner an LED is lit than a filament', () => {
  // Driver reaction studies of LED against filament stop lamps (1990s, from memory): 0.17 to 0.2 s, five to six metres at 30 m/s.
  it('is 0.17 to 0.2 s for a signal bulb, five to six metres at 30 m/s', () => {
    const seconds = leadSeconds(bulb('P21W'), 12.8);
    expect(seconds).toBeGreaterThan(0.16);
    expect(seconds).toBeLessThan(0.21);
    expect(metresIn(seconds, 108)).toBeGreaterThan(4.8);
    expect(metresIn(seconds, 108)).toBeLessThan(6.3);
  });

  it('is less for a thinner filament and at a higher supply, and some time for each of the catalogue', () => {
    expect(leadSeconds(bulb('W5W'), 12.8)).toBeLessThan(leadSeconds(bulb('P21W'), 12.8));
    expect(leadSeconds(bulb('P21W'), 14.4)).toBeLessThan(leadSeconds(bulb('P21W'), 12.6));
    for (const each of BULBS) {
      const seconds = leadSeconds(each, each.systemVolts * 1.05);
      expect(seconds, each.id).toBeGreaterThan(0.01);
      expect(seconds, each.id).toBeLessThan(2.5);
    }
  });
});
