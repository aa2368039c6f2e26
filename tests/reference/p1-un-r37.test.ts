/**
 * UN Regulation 37, filament light sources: 12 V bulbs at 13.5 V, 24 V bulbs at 28 V.
 * All values recalled from memory; verify against the regulation.
 */
import { describe, expect, it } from 'vitest';
import { bulbById, filamentWatts, findBulbs } from '../../core/catalogue/bulbs.ts';

const TABLE: readonly [
  name: string,
  id: string,
  filaments: readonly [maxWatts: number, lumens: number, tolerance?: number][],
][] = [
  ['P21W', 'P21W', [[26.5, 460, 0.15]]],
  [
    'P21/5W',
    'P21-5W',
    [
      [26.5, 440, 0.15],
      [6.6, 35, 0.2],
    ],
  ],
  ['PY21W', 'PY21W', [[26.5, 280, 0.2]]],
  ['W21W', 'W21W', [[26.5, 460]]],
  [
    'W21/5W',
    'W21-5W',
    [
      [26.5, 440],
      [6.6, 35],
    ],
  ],
  ['W16W', 'W16W', [[21.35, 310]]],
  ['R10W', 'R10W', [[11, 125]]],
  ['R5W', 'R5W', [[5.5, 50]]],
  ['W5W', 'W5W', [[5.5, 50]]],
  ['C5W', 'C5W', [[5.5, 45]]],
  ['T4W', 'T4W', [[4.4, 35]]],
  ['WY5W', 'WY5W', [[5.5, 30, 0.2]]],
  ['WY16W', 'WY16W', [[21.35, 190, 0.2]]],
  ['RY10W', 'RY10W', [[11, 75, 0.2]]],
  ['P27W', 'P27W', [[32.1, 475, 0.15]]],
  [
    'P27/7W',
    'P27-7W',
    [
      [32.1, 475, 0.15],
      [8.5, 36, 0.15],
    ],
  ],
];

describe('P1: UN R37 categories', () => {
  it.each(TABLE)('%s has its limits and light', (name, id, filaments) => {
    const bulb = bulbById(id);
    expect(bulb?.filaments.length).toBe(filaments.length);
    filaments.forEach(([maxWatts, lumens, tolerance], index) => {
      const filament = bulb?.filaments[index];
      expect(filament?.maxWatts).toBe(maxWatts);
      expect(filament?.lumens).toBe(lumens);
      expect(filament?.testVolts).toBe(13.5);
      if (tolerance !== undefined) expect(filament?.lumensTolerance).toBe(tolerance);
      if (filament) expect(filamentWatts(filament)).toBeLessThan(maxWatts);
    });
    expect(findBulbs(name)[0]?.id).toBe(id);
  });

  it('tests 24 V bulbs at 28 V: P21W at most 29.7 W', () => {
    const filament = bulbById('P21W-24V')?.filaments[0];
    expect(filament?.testVolts).toBe(28);
    expect(filament?.maxWatts).toBe(29.7);
  });

  it('gives P21W the 1.85 A it typically draws at 13.5 V', () => {
    expect(bulbById('P21W')?.filaments[0]?.amps).toBeCloseTo(1.85, 2);
  });
});
