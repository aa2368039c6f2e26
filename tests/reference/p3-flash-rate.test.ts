/**
 * Flash rate: FMVSS 108 with SAE J590/J1690, 60 to 120 a minute, on 30 to 75 % of the time;
 * UN Regulation 48, 90 ± 30 a minute. From memory.
 */
import { describe, expect, it } from 'vitest';
import { flashRule, rateResult } from '../../core/judge/flashRule.ts';
import { relayOf } from '../../demo/forTests.ts';
import { QUILLON_75 } from '../../demo/vehicles/quillon75.ts';

describe('P3: flash rate limits', () => {
  it.each(['UN', 'US'] as const)('%s allows 60 to 120', (region) => {
    const rule = flashRule(region);
    expect([rule.lowest, rule.highest]).toEqual([90 - 30, 90 + 30]);
    expect(rateResult(rule, 60, 0)).toBe('within');
    expect(rateResult(rule, 120, 0)).toBe('within');
    expect(rateResult(rule, 59.9, 0)).toBe('too-slow');
    expect(rateResult(rule, 120.1, 0)).toBe('too-fast');
  });

  it('does not call a rate whose uncertainty spans the edge', () => {
    const rule = flashRule('UN');
    expect(rateResult(rule, 119, 2)).toBe('too-close-to-tell');
    expect(rateResult(rule, 121, 2)).toBe('too-close-to-tell');
    expect(rateResult(rule, 123, 2)).toBe('too-fast');
    expect(rateResult(rule, 61, 2)).toBe('too-close-to-tell');
  });

  it('holds for the demo relay: rate within limits, on 30 to 75 % of the time', () => {
    const { normalRate, onFraction } = relayOf(QUILLON_75);
    expect(rateResult(flashRule('UN'), normalRate, 0)).toBe('within');
    expect(onFraction).toBeGreaterThanOrEqual(0.3);
    expect(onFraction).toBeLessThanOrEqual(0.75);
  });
});
