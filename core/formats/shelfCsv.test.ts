import fc from 'fast-check';
import Papa from 'papaparse';
import { afterEach, describe, expect, it } from 'vitest';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { IMPERIAL, METRIC, setUnits } from '../formatting/units.ts';
import type { Part } from '../model/part.ts';
import { readShelfCsv, shelfCsv } from './shelfCsv.ts';

const header = shelfCsv([]).split('\r\n')[0] ?? '';
const columns = header.split(',');
/** A line of the table with some cells filled in. */
function line(cells: Record<string, string>): string {
  return columns.map((name) => `"${(cells[name] ?? '').replaceAll('"', '""')}"`).join(',');
}
const resistor = {
  kind: 'resistor',
  code: 'R-6',
  name: 'six ohms',
  ohms: '6',
  watts: '50',
  tolerance_percent: '5',
  price: '4',
  stock: '2',
};

afterEach(() => setUnits(METRIC));

describe('the shelf as a table (RFC 4180)', () => {
  it('comes back as it went, every kind of part with every property', () => {
    const read = readShelfCsv(shelfCsv(DEMO_SHELF), DEMO_SHELF);
    expect(read.problems).toEqual([]);
    expect(read.unknownColumns).toEqual([]);
    expect(read.parts).toEqual(DEMO_SHELF);
  });

  it('in inches says so in its heads, and comes back as it went in whichever unit things are written then', () => {
    setUnits(IMPERIAL);
    const text = shelfCsv(DEMO_SHELF);
    const heads = (text.split('\r\n')[0] ?? '').split(',');
    expect(heads.filter((head) => head.endsWith('_mm'))).toEqual([]);
    expect(heads).toContain('length_in');
    expect(readShelfCsv(text, DEMO_SHELF).parts).toEqual(DEMO_SHELF);
    setUnits(METRIC);
    const read = readShelfCsv(text, DEMO_SHELF);
    expect(read.unknownColumns).toEqual([]);
    expect(read.problems).toEqual([]);
    expect(read.parts).toEqual(DEMO_SHELF);
    // By hand: one inch and three eighths is 34.93 mm, whatever else stands there.
    const led = DEMO_SHELF.find((part) => part.kind === 'led');
    if (!led) throw new Error('no LED');
    const at = heads.indexOf('length_in');
    const rows = Papa.parse<string[]>(text.replace(/\r\n$/, '')).data;
    const own = rows.find((row) => row[heads.indexOf('code')] === led.code) ?? [];
    const typed = (cell: string) =>
      Papa.unparse([heads, own.map((each, index) => (index === at ? cell : each))]);
    const lengthOf = (cell: string) => {
      const [part] = readShelfCsv(typed(cell), DEMO_SHELF).parts;
      return part?.kind === 'led' ? part.lengthMm : null;
    };
    expect(lengthOf('1 3/8')).toBeCloseTo(34.925, 1);
    expect(lengthOf('1,375')).toBeCloseTo(34.925, 1);
    expect(lengthOf('35 mm')).toBe(35);
    expect(readShelfCsv(typed('long'), DEMO_SHELF).problems[0]?.text).toMatch(/length_in: /);
    // The same twice is nobody's to choose between.
    const both = text.replace('length_in', 'length_in,length_mm');
    expect(readShelfCsv(both, DEMO_SHELF).problems[0]?.text).toMatch(/names "length_mm" twice/);
  });

  it('survives names with commas, quotes, line breaks and formulas', () => {
    const part = DEMO_SHELF.find((each) => each.kind === 'resistor') as Part;
    fc.assert(
      fc.property(
        fc
          .string({ minLength: 1, maxLength: 60 })
          .map((name) => name.trim())
          .filter((name) => name !== '' && !name.includes('\r') && !/^'[=+\-@]/.test(name)),
        (name) => {
          const odd = [
            { ...part, name },
            { ...part, code: 'OTHER', id: 'resistor-other', name: `=${name}` },
          ];
          const read = readShelfCsv(shelfCsv(odd), odd);
          expect(read.problems).toEqual([]);
          expect(read.parts.map((each) => each.name)).toEqual([name, `=${name}`]);
        },
      ),
      { seed: 3, numRuns: 200 },
    );
  });

  it('names a bad row by its line, and keeps the good ones apart', () => {
    const text = [
      header,
      line(resistor),
      line({ ...resistor, code: 'R-7', name: 'two\nlines', ohms: 'about 7' }),
      line({ ...resistor, code: 'R-8', ohms: '8' }),
      line({ ...resistor, code: 'R-9', kind: 'spanner' }),
      line({ ...resistor, code: 'R-6', ohms: '5' }),
      line({ ...resistor, code: 'R-10', stock: '' }),
    ].join('\r\n');
    const read = readShelfCsv(text, []);
    expect(read.parts.map((part) => part.code)).toEqual(['R-6', 'R-8']);
    // The second row runs over lines 3 and 4.
    expect(read.problems.map((problem) => problem.line)).toEqual([3, 6, 7, 8]);
    expect(read.problems[0]?.text).toMatch(/ohms: "about 7" is not a number/);
    expect(read.problems[1]?.text).toMatch(/no kind of part/);
    expect(read.problems[2]?.text).toMatch(/on line 2 already/);
    expect(read.problems[3]?.text).toMatch(/On the shelf is missing/);
  });

  it('says what contradicts itself inside an LED', () => {
    const led = {
      kind: 'led',
      code: 'L',
      name: 'l',
      bases: 'BA15s',
      colour: 'amber',
      lumens: '100',
      watts: '3',
      at_volts: '12.8',
      supply_low: '10',
      supply_high: '16',
      polarity: 'either',
      ballast: 'series-resistor',
      forward_volts: '6.3',
      length_mm: '40',
      diameter_mm: '20',
      price: '1',
      stock: '1',
    };
    const problem = (change: Record<string, string>) =>
      readShelfCsv([header, line({ ...led, ...change })].join('\n'), []).problems[0]?.text;
    expect(problem({})).toBeUndefined();
    expect(problem({ built_in_load_ohms: '2' })).toMatch(/built-in load alone/);
    expect(problem({ bases: 'BA15z' })).toMatch(/bases/);
    expect(problem({ forward_volts: '' })).toMatch(/volts of the LED string are needed/);
    expect(problem({ supply_low: '16', supply_high: '10' })).toMatch(/put the lower figure first/);
    expect(problem({ watts: '-3' })).toMatch(/watts/);
  });

  it('reads the sections of a whole lamp as a person writes them', () => {
    const lamp = {
      kind: 'whole-lamp',
      code: 'W',
      name: 'w',
      supply_low: '10',
      supply_high: '16',
      end: 'rear',
      market: 'UN',
      sections: 'turn panel amber 4 W 12.8 V 350 lm;  reverse   socket BA15s',
      connector: 'round',
      price: '1',
      stock: '1',
    };
    const read = readShelfCsv([header, line(lamp)].join('\n'), []);
    expect(read.problems).toEqual([]);
    const [part] = read.parts;
    expect(part?.kind === 'whole-lamp' && part.sections.map((each) => each.light.kind)).toEqual([
      'panel',
      'socket',
    ]);
    const bad = readShelfCsv([header, line({ ...lamp, sections: 'turn lamp, bright' })].join('\n'), []);
    expect(bad.problems[0]?.text).toMatch(/is no section\. Write for instance/);
  });

  it.each([
    ['no header', 'a,b,c\n1,2,3', /must name the columns/],
    ['nothing', '', /must name the columns/],
    ['too much', 'x'.repeat(2_000_001), /larger than 2 MB/],
    ['too many cells', `kind,code\nresistor,R,6,7`, /4 cells where the first line names 2/],
  ])('refuses %s in words', (_, text, reason) => {
    const read = readShelfCsv(text, []);
    expect(read.parts).toEqual([]);
    expect(read.problems[0]?.text).toMatch(reason);
  });

  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        expect(readShelfCsv(`${header}\n${text}`, DEMO_SHELF).parts.length).toBeLessThanOrEqual(400);
      }),
      { seed: 11, numRuns: 200 },
    );
  });

  it('changes a part that is here, and adds one that is not', () => {
    const one = DEMO_SHELF[0] as Part;
    const changed = readShelfCsv(shelfCsv([{ ...one, price: 99 }]), DEMO_SHELF).parts[0];
    expect(changed).toMatchObject({ id: one.id, price: 99 });
    const added = readShelfCsv([header, line(resistor)].join('\n'), DEMO_SHELF).parts[0];
    expect(DEMO_SHELF.some((part) => part.id === added?.id)).toBe(false);
  });

  it('takes thousands of codes whose ids clash, each for a part of its own, in a time that grows with their number', () => {
    const rows = (count: number) => {
      const lines = Array.from({ length: count }, (_, index) => {
        // Other codes, all of one id.
        const code = `A${'-'.repeat(1 + (index % 70))}${'.'.repeat(Math.floor(index / 70))}B`;
        return `consumable,${code},Tape,1,1,feed-joint`;
      });
      return readShelfCsv(['kind,code,name,price,stock,use', ...lines].join('\n'), []);
    };
    const { parts, problems } = rows(4900);
    expect(problems).toEqual([]);
    expect(new Set(parts.map(({ id }) => id)).size).toBe(4900);
  });

  it('gives back a cell that begins as a formula would, by the wide signs too', () => {
    const [part] = DEMO_SHELF.filter(({ kind }) => kind === 'consumable');
    if (!part) throw new Error('a consumable');
    for (const name of ['=1+1', '＝1+1', '＋49', '－2', '＠x', '@x', "'plain"]) {
      const text = shelfCsv([{ ...part, name }]);
      if (name !== "'plain") expect(text).toContain(`'${name}`);
      expect(readShelfCsv(text, []).parts[0]?.name).toBe(name);
    }
  });
});
