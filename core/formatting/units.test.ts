import { afterEach, describe, expect, it } from 'vitest';
import {
  centimetres,
  distance,
  fieldText,
  gaugeMm2,
  IMPERIAL,
  illuminance,
  length,
  METRIC,
  type Quantity,
  readQuantity,
  setUnits,
  temperature,
  unitOf,
  wire,
} from './units.ts';

afterEach(() => setUnits(METRIC));

describe('quantities', () => {
  it('are written in the units of whoever reads', () => {
    const all = () => [
      length(43),
      length(2),
      distance(2.4),
      temperature(85),
      illuminance(240),
      wire(0.75),
      centimetres(0.07),
    ];
    expect(all()).toEqual(['43 mm', '2 mm', '2.4 m', '85 °C', '240 lx', '0.75 mm²', '7 cm']);
    setUnits(IMPERIAL);
    expect(all()).toEqual(['1.69 in', '0.079 in', '7.9 ft', '185 °F', '22.3 fc', '18 AWG', '2.8 in']);
    expect((['length', 'wire', 'temperature', 'distance', 'light'] as Quantity[]).map(unitOf)).toEqual([
      'in',
      'AWG',
      '°F',
      'ft',
      'fc',
    ]);
  });

  // Copper of gauges from the table of ASTM B258, mm² (from memory).
  it.each([
    [22, 0.326],
    [20, 0.518],
    [18, 0.823],
    [16, 1.31],
    [14, 2.08],
    [12, 3.31],
    [10, 5.26],
  ])('gauge %i has %d mm² of copper', (gauge, mm2) => {
    expect(gaugeMm2(gauge) / mm2).toBeCloseTo(1, 2);
  });

  it('a gauge that stands for a metric wire never has less copper than it by more than the roundings', () => {
    setUnits(IMPERIAL);
    for (const mm2 of [0.35, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16]) {
      const gauge = Number(wire(mm2).split(' ')[0]);
      expect(gaugeMm2(gauge)).toBeGreaterThan(0.969 * mm2);
    }
  });

  it.each<[Quantity, string, number | null]>([
    ['length', '3/8 in', 9.525],
    ['length', '1 3/8"', 34.925],
    ['length', '0,75', 0.75],
    ['length', '.5 cm', 5],
    ['length', '-2 mm', -2],
    ['length', '12.', 12],
    ['length', '12 mm²', null],
    ['length', '3/0 in', null],
    ['length', '1 2', null],
    ['length', '', null],
    ['length', 'wide', null],
    ['length', '1e5', null],
    ['wire', '18 AWG', 0.823],
    ['wire', '0,75', 0.75],
    ['wire', '1.5mm2', 1.5],
    ['wire', '12 mm', null],
    ['distance', '8 ft', 2.4384],
    ['distance', '250 cm', 2.5],
    ['temperature', '185 °F', 85],
    ['temperature', '85', 85],
    ['temperature', '−10 C', -10],
    ['light', '22.3 fc', 240.04],
  ])('%s: “%s” is %s', (quantity, typed, stored) => {
    const read = readQuantity(quantity, typed);
    if (stored === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(stored, 2);
  });

  it('a figure without a unit is in the unit that stands beside the field', () => {
    setUnits(IMPERIAL);
    expect(readQuantity('length', '1/2')).toBeCloseTo(12.7, 6);
    expect(readQuantity('wire', '18')).toBeCloseTo(0.823, 3);
    expect(readQuantity('temperature', '212')).toBeCloseTo(100, 6);
    // What is read back from what was written is what it was, as far as it was written.
    for (const [quantity, stored] of [
      ['length', 43],
      ['distance', 2.4],
      ['temperature', 85],
      ['light', 240],
    ] as const)
      expect(readQuantity(quantity, fieldText(quantity, stored)) ?? 0).toBeCloseTo(stored, 0);
  });
});
