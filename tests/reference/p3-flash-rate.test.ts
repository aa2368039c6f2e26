/**
 * Flash rate: FMVSS 108 with SAE J590/J1690, 60 to 120 a minute, on 30 to 75 % of the time;
 * UN Regulation 48, 90 ± 30 a minute. From memory.
 */
import { describe, expect, it } from 'vitest';
import { flashRule, rateResult } from '../../core/judge/flashRule.ts';
import { lampIdsOf } from '../../core/model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { fitmentOf } from '../../core/simulation/fitment.ts';
import { playVehicle } from '../../core/simulation/vehicleRun.ts';
import { supplyVoltsFor } from '../../core/traces/supply.ts';
import { demoJob, firstTurn } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

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

  it.each(['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'])(
    '%s with its stock bulbs plays within them, and lights within 1 s',
    (id) => {
      const job = demoJob(id);
      const { vehicle } = job;
      const flashing = new Set(lampIdsOf(firstTurn(vehicle)));
      const controls: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };
      const play = playVehicle({
        vehicle,
        fitment: fitmentOf(job, DEMO_SHELF, 'stock'),
        controls,
        emfVolts: supplyVoltsFor(vehicle, 'on'),
        thresholdAmps: 0,
        flashes: 4,
      });
      const settled = play.flashes.at(-1);
      if (!settled) throw new Error('nothing flashes');
      expect(rateResult(flashRule('UN'), 60 / settled.periodSeconds, 0)).toBe('within');
      expect(settled.onSeconds / settled.periodSeconds).toBeGreaterThanOrEqual(0.3);
      expect(settled.onSeconds / settled.periodSeconds).toBeLessThanOrEqual(0.75);
      for (const { lampId, input, curve } of play.emitters)
        if (flashing.has(lampId) && input === 'main') expect(curve.most(0, 1), lampId).toBeGreaterThan(0.5);
    },
  );
});
