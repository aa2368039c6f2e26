import { describe, expect, it } from 'vitest';
import { acrossMm, BASE_DRAWINGS, reachMm } from './baseDrawings.ts';
import { BASES } from './bases.ts';
import { BULBS, bulbById, interchangeable } from './bulbs.ts';
import { differences, lookAlikes, numberCannotTell, searchBulbs, wiringFromEarths } from './finder.ts';

const bulb = (id: string) => {
  const found = bulbById(id);
  if (!found) throw new Error(id);
  return found;
};

describe('the bulb finder', () => {
  it('finds every bulb by each of its names, by its base, and by its measures', () => {
    for (const each of BULBS) {
      for (const name of each.names) expect(searchBulbs({ name })).toContain(each);
      expect(searchBulbs({ base: each.base })).toContain(each);
      const measured = searchBulbs({
        glassMm: each.glassMm + 0.9,
        lengthMm: each.lengthMm - 1.4,
        baseMm: acrossMm(BASE_DRAWINGS[each.base]) + 0.3,
        filaments: each.filaments.length === 2 ? 2 : 1,
        systemVolts: each.systemVolts,
      });
      expect(measured).toContain(each);
    }
  });

  it('sorts by how near it measures, and leaves out what is far off', () => {
    const found = searchBulbs({ base: 'SV8.5', lengthMm: 41.5 });
    expect(Math.abs((found[0]?.lengthMm ?? 0) - 41.5)).toBeLessThan(0.6);
    expect(found.some((each) => each.lengthMm === 36)).toBe(false);
    expect(searchBulbs({ glassMm: 200 })).toEqual([]);
  });

  it('tells festoons of one wattage apart by length', () => {
    expect(searchBulbs({ name: 'festoon 31 mm' }).map((each) => each.id)).toEqual(
      expect.arrayContaining(['C10W-31', '3175']),
    );
  });
});

describe('no two records contradict', () => {
  it('one name means one base, one number of filaments and one length at one voltage, but for festoons and sizes of glass', () => {
    const byName = new Map<string, (typeof BULBS)[number][]>();
    for (const each of BULBS)
      for (const name of each.names) byName.set(name, [...(byName.get(name) ?? []), each]);
    for (const [name, records] of byName) {
      const same = <T>(of: (each: (typeof BULBS)[number]) => T) => new Set(records.map(of)).size;
      expect(
        same((each) => each.base),
        name,
      ).toBe(1);
      expect(
        same((each) => each.filaments.length),
        name,
      ).toBe(1);
      // T10 and the like name a width of glass, no bulb.
      if (!name.startsWith('festoon') && name !== 'C10W' && !/^[ST]\d+\b/.test(name))
        expect(
          same((each) => `${each.systemVolts} ${each.lengthMm}`),
          name,
        ).toBe(new Set(records.map((each) => each.systemVolts)).size);
    }
  });

  it.each([
    ['7440', 'W21W'],
    ['7443', 'W21-5W'],
    ['7443CK', 'W21-5W'],
    ['7528', 'P21-5W'],
    ['7507', 'PY21W'],
    ['7440A', 'WY21W'],
    ['3057', '3057'],
    ['3157CK', '3157'],
    ['4157', '4157'],
    ['2357', '2357'],
    ['9003', 'H4'],
    ['DE3175', '3175'],
    ['6418', 'C5W'],
    ['H8', 'H8'],
  ])('knows %s', (name, id) => {
    expect(searchBulbs({ name }).map((each) => each.id)).toContain(id);
  });

  it.each(['T5', 'T10', 'T15', 'T20', 'T25', 'S25', 'twist-lock'])('knows the size %s', (name) => {
    expect(searchBulbs({ name }).length).toBeGreaterThan(0);
  });

  it('what interchanges is of one voltage and within 3 mm of one length', () => {
    for (const each of BULBS)
      for (const other of interchangeable(each)) {
        expect(other.systemVolts).toBe(each.systemVolts);
        expect(Math.abs(other.lengthMm - each.lengthMm)).toBeLessThan(3);
      }
  });
});

describe('bases are drawn to their names', () => {
  it.each(BASES.map((base) => base.id))('%s', (id) => {
    const drawing = BASE_DRAWINGS[id];
    // IEC 60061-1 names a cap by its leading dimension, and by s, d, t or q for one to four contacts.
    const figures = [...id.matchAll(/\d+(?:\.\d+)?/g)].map((match) => Number(match[0]));
    if (drawing.outline.kind === 'wedge')
      expect([drawing.outline.thickMm, drawing.outline.wideMm]).toEqual(figures.slice(0, 2));
    else expect(drawing.outline.mm).toBe(figures[0]);
    const letter = /[sdtq](?=$|-)/.exec(id)?.[0];
    const count = { s: 1, d: 2, t: 3, q: 4 }[letter ?? ''];
    if (count !== undefined) expect(drawing.contacts.length).toBe(count);
    for (const contact of drawing.contacts)
      expect(Math.hypot(contact.x, contact.y)).toBeLessThan(reachMm(drawing));
  });

  it('BAU is told from BA by its pins at 150°, BAY by their heights', () => {
    expect(BASE_DRAWINGS.BAU15s.pins?.degrees).toEqual([0, 150]);
    expect(BASE_DRAWINGS.BA15s.pins?.degrees).toEqual([0, 180]);
    expect(BASE_DRAWINGS.BAY15d.pins?.lowerMm).toBeGreaterThan(0);
  });
});

describe('what gets taken for another', () => {
  it('P21W: 1156 interchanges and draws more, PY21W has other pins', () => {
    const alike = lookAlikes(bulb('P21W'));
    const of = (id: string) => alike.find((each) => each.bulb.id === id);
    expect(of('1156')).toMatchObject({ interchanges: true });
    expect(of('1156')?.differs.join()).toMatch(/draws 2.10 A at 12.8 V instead of 1.85 A at 13.5 V/);
    expect(of('PY21W')).toMatchObject({ interchanges: false });
    expect(of('PY21W')?.differs.join()).toMatch(/pins at 150° instead of 180°.*amber glass/);
  });

  it('W5W and W16W share a base and differ by glass', () => {
    expect(differences(bulb('W5W'), bulb('W16W')).join()).toMatch(/glass of 15.9 mm instead of 10.3 mm/);
  });

  it('a number does not tell the wiring of a socket', () => {
    expect(numberCannotTell(bulb('3157')).join(' ')).toMatch(/CK.*both filaments/s);
    expect(numberCannotTell(bulb('P21W'))).toEqual([]);
  });
});

describe('standard or CK (common practice)', () => {
  it('earths on opposite corners are standard, on one flank CK, at one end neither', () => {
    expect(wiringFromEarths([0, 3])).toBe('standard');
    expect(wiringFromEarths([1, 2])).toBe('standard');
    expect(wiringFromEarths([2, 3])).toBe('ck');
    expect(wiringFromEarths([0, 1])).toBe('ck');
    expect(wiringFromEarths([0, 2])).toBe('measure-again');
    expect(wiringFromEarths([1, 1])).toBe('measure-again');
  });
});
