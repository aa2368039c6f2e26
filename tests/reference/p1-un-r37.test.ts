/**
 * UN Regulation 37, filament light sources: 12 V bulbs at 13.5 V, 24 V bulbs at 28 V.
 * All values recalled from memory; verify against the regulation.
 */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { baseRecord } from '../../core/catalogue/bases.ts';
import { bulbById, filamentWatts, findBulbs } from '../../core/catalogue/bulbs.ts';
import type { BaseId } from '../../core/model/bulb.ts';

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

describe('the whole list of UN signal categories', () => {
  const rows = readFileSync(new URL('./p1-un-r37-list.txt', import.meta.url), 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith('#'))
    .map((line) => line.split('|') as [string, string, string, string, string]);

  it.each(rows)(
    '%s on %s: at most %s W, %s lm within %s percent',
    (category, base, watts, lumens, tolerance) => {
      // Categories of several lengths have a record for each.
      const bulb = findBulbs(category).find((each) => each.names[0] === category && each.systemVolts === 12);
      expect(bulb?.base).toBe(base);
      const all = (of: string) => of.split('/').map(Number);
      expect(bulb?.filaments.map((each) => each.maxWatts)).toEqual(all(watts));
      expect(bulb?.filaments.map((each) => each.lumens)).toEqual(all(lumens));
      expect(bulb?.filaments.map((each) => (each.lumensTolerance ?? 0) * 100)).toEqual(all(tolerance));
      const [letters = ''] = /^[A-Z]+/.exec(category) ?? [];
      const glass = /Y$/.test(letters) ? 'amber' : /.R$/.test(letters) ? 'red' : 'clear';
      expect(bulb?.glass).toBe(glass);
      // What it draws stays within the limit, and near the watts in its name.
      for (const [at, filament] of (bulb?.filaments ?? []).entries()) {
        const named = Number(/[A-Z](\d+(?:\.\d+)?)(?:\/(\d+))?W/.exec(category)?.[at + 1]);
        const watts = filamentWatts(filament);
        expect(watts).toBeLessThanOrEqual(filament.maxWatts ?? 0);
        if (named) expect(watts / named).toBeGreaterThan(0.9);
      }
    },
  );

  it('names no category twice, and every one has a base that is described and drawn', () => {
    expect(new Set(rows.map(([category]) => category)).size).toBe(rows.length);
    expect(rows.length).toBe(70);
    for (const [, base] of rows) expect(baseRecord(base as BaseId).recognise.length).toBeGreaterThan(10);
  });
});

describe('numbers people meet', () => {
  it.each([
    ...[
      '1156A',
      '1157A',
      '1157NA',
      '3157A',
      '3157NA',
      '7443A',
      '7444NA',
      'WY5W',
      'WY16W',
      'WY21W',
      'WY21/5W',
    ],
    ...[
      'RY10W',
      'PR21W',
      'PSY24W',
      'PS19W',
      'P13W',
      'PW24W',
      'PWY24W',
      'P27/7W',
      'H6W',
      'HY21W',
      'W10W',
      'H13',
    ],
    ...['9008', '434', '880', '881', '2504'],
  ])('%s is found by its name', (name) => {
    const fold = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');
    expect(findBulbs(name)[0]?.names.map(fold)).toContain(fold(name));
  });
});
