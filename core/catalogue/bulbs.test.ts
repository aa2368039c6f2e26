import { describe, expect, it } from 'vitest';
import { Bulb } from '../model/bulb.ts';
import { baseRecord } from './bases.ts';
import { BULBS, bulbById, findBulbs, interchangeable, ratedWatts } from './bulbs.ts';

describe('the bulb catalogue', () => {
  it('holds valid records with unique ids, a source, and a described base', () => {
    for (const bulb of BULBS) {
      expect(Bulb.parse(bulb)).toEqual(bulb);
      expect(bulb.source.verified).toBe(false);
      expect(bulb.source.name).toMatch(/Regulation 37|SAE/);
      expect(baseRecord(bulb.base).release.length).toBeGreaterThan(10);
    }
    expect(new Set(BULBS.map((bulb) => bulb.id)).size).toBe(BULBS.length);
  });

  it('finds every bulb by each of its names', () => {
    for (const bulb of BULBS) for (const name of bulb.names) expect(findBulbs(name)).toContain(bulb);
  });

  it('finds by base, by beginnings, and however it is typed', () => {
    expect(findBulbs('ba15s').map((bulb) => bulb.id)).toEqual(
      expect.arrayContaining(['P21W', '1156', 'R5W']),
    );
    expect(findBulbs('ba15s').every((bulb) => bulb.base === 'BA15s')).toBe(true);
    expect(findBulbs(' p21/5w ')[0]?.id).toBe('P21-5W');
    expect(findBulbs('P21-5W')[0]?.id).toBe('P21-5W');
    expect(findBulbs('w2.1×9.5d')[0]?.base).toBe('W2.1x9.5d');
    expect(findBulbs('115').map((bulb) => bulb.id)).toEqual(['1156', '1157', '1154', '1156A', '1157A']);
    expect(findBulbs('no such bulb')).toEqual([]);
    expect(findBulbs('').length).toBe(BULBS.length);
  });

  it('joins what interchanges, within one base and number of filaments', () => {
    const p21w = bulbById('P21W');
    expect(p21w && interchangeable(p21w).map((bulb) => bulb.id)).toEqual(['1156']);
    for (const bulb of BULBS) {
      for (const other of interchangeable(bulb)) {
        expect(other.base).toBe(bulb.base);
        expect(other.filaments.length).toBe(bulb.filaments.length);
      }
    }
  });
});

describe('ratedWatts', () => {
  // UN Regulation 37 names a category by its rated watts, and prints a limit above it at 13.5 V (from memory).
  it.each([
    ['P21W', 21],
    ['P21-5W', 21],
    ['W5W', 5],
    ['R10W', 10],
    ['P21W-24V', 21],
    ['1156', null],
  ])('%s is called by %s W', (id, expected) => {
    const bulb = bulbById(id);
    if (!bulb) throw new Error(id);
    expect(ratedWatts(bulb)).toBe(expected);
  });
});
