import { describe, expect, it } from 'vitest';
import { REFUSED_PLACES, whyRefused } from './refused.ts';
import { USE_CASES } from './useCases.ts';

describe('places that are refused', () => {
  it('say how hot it would get there and what gives way, hand figure: 34.6 W for twenty minutes', () => {
    for (const place of REFUSED_PLACES) {
      const why = whyRefused(place, 50, 34.6, USE_CASES.jam, 25);
      expect(why).toMatch(/^Refused\. It carries no heat away: after twenty minutes on the brake at 25 °C/);
      // Free air: 9 K/W, and 30 J/K are long warm after twenty minutes.
      const celsius = Number(/would be at (\d+) °C/.exec(why)?.[1]);
      expect(celsius).toBeGreaterThan(300);
      expect(celsius).toBeLessThan(25 + 34.6 * 9 + 1);
    }
    expect(whyRefused('plastic', 50, 34.6, USE_CASES.jam, 25)).toContain('soften from 90 °C');
  });

  it('stay refused where the use is short: a stuck switch is not', () => {
    expect(whyRefused('loom', 50, 2, USE_CASES.turn, 25)).toMatch(/^Refused all the same.*sticks/);
  });
});
