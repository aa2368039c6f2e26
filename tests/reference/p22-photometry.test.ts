/**
 * P22: the definition of the candela and the inverse square law (E = I/d²; 1 cd at 1 m gives 1 lx), and the five-times rule
 * of photometric testing: at five lamp widths the point-source error is about 1 %. From memory.
 */
import { describe, expect, it } from 'vitest';
import type { LightReading } from '../../core/model/evidence.ts';
import { candelaOf, luxRatio } from '../../core/record/measuredLight.ts';

const reading = (lux: number, metres: number | null, more: Partial<LightReading> = {}): LightReading => ({
  kind: 'light',
  id: 'l',
  at: '2026-11-20T18:00:00.000Z',
  vehicleId: 'v',
  visit: 'visit',
  device: null,
  method: 'meter',
  lampId: 'rear-left',
  spot: 'wall',
  when: 'after',
  quantity: { value: lux, unit: 'lx', uncertainty: 0 },
  ambientLux: 0,
  metres,
  lampMillimetres: 50,
  ...more,
});
function candela(of: LightReading): number {
  const found = candelaOf(of);
  if ('withheld' in found) throw new Error(found.withheld);
  return found.value;
}

describe('candela out of lux', () => {
  it('is 1 cd of 1 lx at 1 m, and falls off as the square', () => {
    expect(candela(reading(1, 1))).toBeCloseTo(1, 9);
    expect(candela(reading(1, 3))).toBeCloseTo(9, 9);
    expect(candela(reading(25, 2))).toBeCloseTo(100, 9);
  });

  it('takes off what is there without the lamp', () => {
    expect(candela(reading(12, 2, { ambientLux: 2 }))).toBeCloseTo(40, 9);
    expect(candelaOf(reading(2, 2, { ambientLux: 2 }))).toEqual({ withheld: 'no-light' });
  });

  it('at five widths of an evenly lit disc is off by about 1 %, and its interval says so', () => {
    // Lux on the axis of a disc of radiance L: E = π L R²/(R² + d²); its intensity is π L R².
    const [radius, metres, luminance] = [0.025, 0.25, 20_000];
    const lux = (Math.PI * luminance * radius ** 2) / (radius ** 2 + metres ** 2);
    const truth = Math.PI * luminance * radius ** 2;
    const found = candelaOf(reading(lux, metres));
    if ('withheld' in found) throw new Error(found.withheld);
    expect(found.value / truth).toBeCloseTo(0.99, 3);
    expect(Math.abs(found.value - truth)).toBeLessThanOrEqual(found.uncertainty);
  });

  it.each([
    ['nearer than five widths', reading(9, 0.24), 'too-near'],
    ['without a distance', reading(9, null), 'no-distance'],
    ['without a width', reading(9, 1, { lampMillimetres: null }), 'no-width'],
    ['without the surroundings', reading(9, 1, { ambientLux: null }), 'no-ambient'],
    ['of a room', reading(9, 1, { lampId: null }), 'room'],
  ])('is withheld %s, with the reason', (_, of, withheld) => expect(candelaOf(of)).toEqual({ withheld }));
});

describe('before and after', () => {
  it('as common practice measured them: map lamp 8 to 75 lx, dome lamp 6.6 to 30 lx, distance not stated', () => {
    // Common practice: a ratio can be given, candela cannot.
    for (const [before, after, times] of [
      [8, 75, 9.4],
      [6.6, 30, 4.5],
    ] as const) {
      const ratio = luxRatio(reading(after, null), reading(before, null));
      expect('value' in ratio && ratio.value).toBeCloseTo(times, 1);
      expect(candelaOf(reading(after, null))).toEqual({ withheld: 'no-distance' });
    }
  });

  it('is no ratio from two distances, without surroundings or of a dark lamp', () => {
    expect(luxRatio(reading(9, 1), reading(9, 2))).toEqual({ withheld: 'other-distance' });
    expect(luxRatio(reading(9, 1), reading(9, 1, { ambientLux: null }))).toEqual({ withheld: 'no-ambient' });
    expect(luxRatio(reading(9, 1), reading(1, 1, { ambientLux: 1 }))).toEqual({ withheld: 'dark-before' });
  });
});
