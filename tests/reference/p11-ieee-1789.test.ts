/** IEEE 1789-2015, recommended practices for modulating current in LEDs: limits from memory, verify. */
import { describe, expect, it } from 'vitest';
import { flickerRisk, flickerWords, lowRiskLimit, noEffectLimit } from '../../core/flicker/ieee1789.ts';

describe('P11: IEEE 1789-2015', () => {
  it('limits at and beside the edges of their bands', () => {
    expect(lowRiskLimit(80)).toBeCloseTo(2, 9);
    expect(lowRiskLimit(89.999)).toBeCloseTo(2.25, 3);
    expect(lowRiskLimit(90)).toBeCloseTo(7.2, 9);
    expect(lowRiskLimit(1250)).toBeCloseTo(100, 9);
    expect(lowRiskLimit(1250.1)).toBe(Number.POSITIVE_INFINITY);
    expect(noEffectLimit(89.999)).toBeCloseTo(0.9, 3);
    expect(noEffectLimit(90)).toBeCloseTo(2.997, 9);
    expect(noEffectLimit(3000)).toBeCloseTo(99.9, 9);
    expect(noEffectLimit(3000.1)).toBe(Number.POSITIVE_INFINITY);
  });

  it.each([
    [200, 100, 'above-low-risk'],
    [200, 15.9, 'low-risk'],
    [200, 16, 'above-low-risk'],
    [200, 6.6, 'no-observable-effect'],
    [200, 6.67, 'low-risk'],
    [1300, 100, 'low-risk'],
    [3100, 100, 'no-observable-effect'],
    [50, 1.24, 'low-risk'],
    [50, 1.25, 'above-low-risk'],
  ] as const)('%f Hz with %f %% is %s', (hertz, modulation, risk) => {
    expect(flickerRisk(hertz, modulation)).toBe(risk);
  });

  it('says its limit, and refuses what has no frequency', () => {
    expect(flickerWords(200, 100)).toContain('low risk ends at 16 % at 200 Hz');
    expect(() => flickerRisk(0, 10)).toThrow(RangeError);
  });
});
