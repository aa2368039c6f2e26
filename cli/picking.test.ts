import { writeFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { writeKitFile } from '../core/formats/kitFile.ts';
import { kitSheetCsv } from '../core/formats/kitSheetCsv.ts';
import type { KitPart } from '../core/model/part.ts';
import { KITS } from '../demo/shelf/kits.ts';
import { call, demoDirectory } from './forTests.ts';

const demo = demoDirectory();
const kit = KITS.find((part): part is KitPart => part.kind === 'kit') as KitPart;

describe('vumble picklist', () => {
  it('lists parts with packs, as words, table and data', async () => {
    const words = await call('picklist', demo.job('library-route-1'));
    expect(words).toMatchObject({ code: 0, error: '' });
    expect(words.out).toContain('TERN');
    expect(words.out).toContain('On the bench: ');
    const csv = await call('picklist', demo.job('library-route-1'), '--csv');
    expect(csv.out.split('\r\n')[0]).toBe(
      'code,part,for,quantity,on shelf,to buy,packs,pieces in a pack,spare,unit price,total,to pay,seller,order code',
    );
    const json = JSON.parse((await call('picklist', demo.job('library-route-1'), '--json')).out);
    expect(json.lines.length).toBe(csv.out.trimEnd().split('\r\n').length - 1);
    const joints = json.lines.find(({ code }: { code: string }) => code === 'JOINT-S');
    if (joints) expect(joints.packs.of).toBe(25);
  });

  it('says what is wrong with a file that is none', async () => {
    expect(await call('picklist', demo.path('none.json'))).toMatchObject({ code: 2 });
  });
});

describe('vumble kit', () => {
  const file = (name: string, text: string) => {
    const path = demo.path(name);
    writeFileSync(path, text);
    return path;
  };

  it('gives the variant, its parts and its capped plugs, from a kit file or a table', async () => {
    for (const path of [file('kit.json', writeKitFile(kit)), file('kit.csv', kitSheetCsv(kit.sheet))]) {
      const result = await call(
        'kit',
        path,
        '--set',
        'year=2014',
        '--set',
        'lamp=with bulbs',
        '--set',
        'module=without',
        '--json',
      );
      expect(result, result.error).toMatchObject({ code: 0 });
      expect(JSON.parse(result.out)).toMatchObject({
        variant: 'With bulbs, no sensor',
        plugsUsed: ['A, six cavities, grey'],
        plugsCapped: ['B, three cavities, black', 'C, sensor, four cavities'],
      });
    }
  });

  it('says which question is still open', async () => {
    const path = file('kit.json', writeKitFile(kit));
    const open = await call('kit', path, '--set', 'lamp=led', '--json');
    expect(open.code).toBe(1);
    expect(JSON.parse(open.out)).toMatchObject({ variant: null, open: { id: 'year' } });
    expect((await call('kit', path, '--set', 'lamp=led')).out).toContain('Still open: Year of the vehicle');
    expect((await call('kit', path, '--set', 'lamp=led', '--set', 'year=2016')).out).toContain(
      'B cavity 2 to grey/white',
    );
    expect((await call('kit', path, '--set', 'lamp=led', '--set', 'year=2017')).out).toContain(
      'B cavity 2 to brown/white',
    );
  });

  it('refuses answers that are none, saying which there are', async () => {
    const path = file('kit.json', writeKitFile(kit));
    expect((await call('kit', path, '--set', 'year=1999')).error).toContain('Years go from 2012 to 2020');
    expect((await call('kit', path, '--set', 'colour=red')).error).toContain(
      'Questions are year, lamp, sensor',
    );
    expect((await call('kit', path, '--set', 'lamp=candles')).error).toContain('led (factory LED)');
  });

  it('checks a sheet as a whole, naming a gap and an overlap by example', async () => {
    expect(await call('kit', file('kit.json', writeKitFile(kit)), '--check')).toMatchObject({ code: 0 });
    const holed = structuredClone(kit);
    holed.sheet.variants = holed.sheet.variants.map((variant) =>
      variant.id === 'led-from-2017'
        ? { ...variant, when: { ...variant.when, year: { from: 2018, to: 2020 } } }
        : variant,
    );
    const gap = await call('kit', file('holed.json', writeKitFile(holed)), '--check');
    expect(gap.code).toBe(1);
    expect(gap.out).toContain('No variant for year 2017, Rear lamps from the works: factory LED');
    const overlap = structuredClone(kit);
    overlap.sheet.variants = overlap.sheet.variants.map((variant) =>
      variant.id === 'led-to-2016'
        ? { ...variant, when: { ...variant.when, year: { from: 2012, to: 2018 } } }
        : variant,
    );
    const both = await call('kit', file('overlap.json', writeKitFile(overlap)), '--check', '--json');
    expect(JSON.parse(both.out).words[0]).toContain('are both for year 2017 to 2018');
  });

  it('names the lines of a table that cannot be read', async () => {
    const path = file('bad.csv', kitSheetCsv(kit.sheet).replace('2012-2016', 'soon'));
    const result = await call('kit', path, '--check');
    expect(result.code).toBe(2);
    expect(result.error).toMatch(/line \d+: "soon" is no span of years/);
  });
});
