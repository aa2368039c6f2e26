import { describe, expect, it } from 'vitest';
import { findBulbs } from './bulbs.ts';
import { isCapsule, nearBulbs, nearWords } from './nearBulbs.ts';

describe('what is printed on a bulb', () => {
  // Names people read off bulbs in the hand (common practice), each with its base and glass (from memory).
  it.each([
    ['1156A', 'BA15s', 'amber'],
    ['1157A', 'BAY15d', 'amber'],
    ['1157NA', 'BAY15d', 'amber'],
    ['2357NA', 'BAY15d', 'amber'],
    ['3156A', 'W2.5x16d', 'amber'],
    ['3157A', 'W2.5x16q', 'amber'],
    ['3157NA', 'W2.5x16q', 'amber'],
    ['7443A', 'W3x16q', 'amber'],
    ['7444NA', 'WX3x16q', 'amber'],
    ['WY5W', 'W2.1x9.5d', 'amber'],
    ['WY16W', 'W2.1x9.5d', 'amber'],
    ['WY21W', 'WX3x16d', 'amber'],
    ['WY21/5W', 'WX3x16q', 'amber'],
    ['RY10W', 'BAU15s', 'amber'],
    ['P27/7W', 'W2.5x16q', 'clear'],
    ['W10W', 'W2.1x9.5d', 'clear'],
  ])('%s is found first by that name: %s, %s', (name, base, glass) => {
    expect(findBulbs(name)[0]).toMatchObject({ base, glass });
  });

  it('draws what the clear one draws, and gives less light', () => {
    const [clear] = findBulbs('1157');
    const [amber] = findBulbs('1157NA');
    expect(amber?.filaments.map(({ amps }) => amps)).toEqual(clear?.filaments.map(({ amps }) => amps));
    for (const [index, { lumens }] of (amber?.filaments ?? []).entries())
      expect(lumens).toBeLessThan(clear?.filaments[index]?.lumens ?? 0);
  });

  it('a name of the trade alone says that it is no category of the regulation', () => {
    expect(findBulbs('WY21/5W')[0]?.source.name).toMatch(/no category of UN Regulation 37/);
    expect(findBulbs('WY21W')[0]?.source.name).not.toMatch(/no category/);
  });

  it('a near miss is answered with the nearest, and how it differs', () => {
    expect(nearBulbs('1156LL')).toMatchObject([
      { bulb: { id: '1156' }, differs: expect.stringMatching(/without what “LL” says/) },
    ]);
    expect(nearWords('H13')).toMatch(/^Nearest: H1/);
    expect(nearWords('zzz')).toBe('');
  });

  it('a capsule is told from a signal bulb', () => {
    expect(['9005', 'H7', 'H11'].map((name) => isCapsule(findBulbs(name)[0] ?? { base: 'BA15s' }))).toEqual([
      true,
      true,
      true,
    ]);
    expect(['P21W', '3157'].map((name) => isCapsule(findBulbs(name)[0] ?? { base: 'PX26d' }))).toEqual([
      false,
      false,
    ]);
  });
});
