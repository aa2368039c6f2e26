import { describe, expect, it } from 'vitest';
import type { LedPart } from '../model/part.ts';
import { LedBulb } from './ledBulb.ts';

const base: LedPart = {
  id: 'led-1',
  kind: 'led',
  code: 'T-1',
  name: 'test LED',
  price: 1,
  stock: 1,
  bases: ['BA15s'],
  colour: 'amber',
  watts: 3,
  atVolts: 12.8,
  supplyRange: [10, 16],
  polarity: 'either',
  ballast: { kind: 'series-resistor', forwardVolts: 6.6 },
  lumens: 250,
  lengthMm: 40,
  diameterMm: 18,
};

describe('LedBulb', () => {
  it.each([
    { kind: 'series-resistor', forwardVolts: 6.6 },
    { kind: 'constant-current', forwardVolts: 6.6 },
    { kind: 'converter', startVolts: 8 },
  ] as const)('draws its printed watts at its printed volts ($kind)', (ballast) => {
    const led = new LedBulb({ ...base, ballast });
    expect(led.operate(12.8).amps * 12.8).toBeCloseTo(3, 9);
    expect(led.lightAt(12.8)).toBeCloseTo(1, 9);
  });

  it('sags fastest with a series resistor, not at all with constant current, and rises with a converter', () => {
    const at = (ballast: LedPart['ballast']) =>
      new LedBulb({ ...base, ballast }).operate(11.8).amps / (3 / 12.8);
    expect(at({ kind: 'series-resistor', forwardVolts: 6.6 })).toBeCloseTo((11.8 - 7.3) / (12.8 - 7.3), 9);
    expect(at({ kind: 'constant-current', forwardVolts: 6.6 })).toBeCloseTo(1, 9);
    expect(at({ kind: 'converter', startVolts: 8 })).toBeCloseTo(12.8 / 11.8, 9);
  });

  it('is dark below its threshold', () => {
    expect(new LedBulb(base).operate(7).amps).toBe(0);
    expect(new LedBulb({ ...base, ballast: { kind: 'converter', startVolts: 8 } }).operate(7.9).amps).toBe(0);
  });

  it('counts a built-in load inside the printed watts, but not in the light', () => {
    const led = new LedBulb({ ...base, watts: 18, builtInLoadOhms: 12 });
    expect(led.operate(12.8).amps).toBeCloseTo(18 / 12.8, 9);
    expect(led.lightAt(12.8)).toBeCloseTo(1, 9);
  });

  it('refuses a built-in load that outdraws the whole bulb', () => {
    expect(() => new LedBulb({ ...base, builtInLoadOhms: 12 })).toThrow(/built-in load alone/);
  });

  it('refuses a string that cannot light at the volts it is rated for', () => {
    const ballast = { kind: 'series-resistor', forwardVolts: 12.5 } as const;
    expect(() => new LedBulb({ ...base, ballast })).toThrow(/only start at 13.2 V/);
  });
});
