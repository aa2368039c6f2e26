import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KITS } from '../../demo/shelf/kits.ts';
import { checkSheet } from '../kits/checkSheet.ts';
import type { KitSheet } from '../model/kit.ts';
import type { KitPart } from '../model/part.ts';
import { readKit, writeKitFile } from './kitFile.ts';
import { kitSheetCsv } from './kitSheetCsv.ts';
import { readKitSheetCsv } from './readKitSheet.ts';

const kit = KITS.find((part): part is KitPart => part.kind === 'kit') as KitPart;

/** A sheet with its ids left out: a table calls things by their names. */
function named({ items, plugs, questions, variants, impossible }: KitSheet) {
  const answer = (questionId: string, id: string) => {
    const question = questions.find((each) => each.id === questionId);
    return question && question.about !== 'year' ? question.answers.find((each) => each.id === id)?.text : id;
  };
  const text = (id: string) => {
    const question = questions.find((each) => each.id === id);
    return question && question.about !== 'year' ? question.text : id;
  };
  const when = (condition: KitSheet['impossible'][number]) =>
    Object.fromEntries(
      Object.entries(condition).map(([id, said]) => [
        text(id),
        Array.isArray(said) ? said.map((each) => answer(id, each)) : said,
      ]),
    );
  const plug = (id: string) => plugs.find((each) => each.id === id)?.what;
  return {
    items: items.map(({ id: _, ...item }) => item),
    plugs: plugs.map(({ what }) => what),
    questions: questions.map((each) =>
      each.about === 'year'
        ? each
        : { about: each.about, text: each.text, answers: each.answers.map(({ text }) => text) },
    ),
    impossible: impossible.map(when),
    variants: variants.map((variant) => ({
      name: variant.name,
      when: when(variant.when),
      uses: variant.uses.map(({ itemId, ...use }) => ({
        ...use,
        what: items.find(({ id }) => id === itemId)?.what,
      })),
      used: variant.used.map(plug),
      capped: variant.capped.map(plug),
      links: variant.links,
      modules: variant.modules,
    })),
  };
}

describe('a kit sheet as a table', () => {
  it('comes back as it went', () => {
    const { sheet, problems } = readKitSheetCsv(kitSheetCsv(kit.sheet));
    expect(problems).toEqual([]);
    expect(sheet && named(sheet)).toEqual(named(kit.sheet));
    expect(sheet && checkSheet(sheet)).toEqual([]);
  });

  it('keeps the good lines where one is bad, and says what to write', () => {
    const bad = kitSheetCsv(kit.sheet)
      .replace('With bulbs and sensor,,,,with bulbs', 'With bulbs and sensor,,,,with candles')
      .replace('2012-2016', '2016-2012');
    const { sheet, problems } = readKitSheetCsv(bad);
    expect(sheet?.variants.map(({ name }) => name)).toEqual([
      'With bulbs, no sensor',
      'Factory LED from 2017',
    ]);
    expect(problems.map(({ line }) => line)).toEqual([13, 14]);
    expect(problems[0]?.text).toContain('Write with bulbs, factory LED');
    expect(problems[1]?.text).toContain('runs backwards');
  });

  it.each([
    ['', 'The first line must name the columns'],
    ['row,name,lamp\nvariant,x,1', 'is no column of a kit sheet'],
    ['row,name\nthing,x', 'is no kind of row'],
    ['row,name,parts\nvariant,x,2 x Nothing', 'There is no item "Nothing"'],
    ['row,name,plugs\nvariant,x,Z', 'There is no plug "Z"'],
    ['row,name,links\nvariant,x,grey', 'is no link'],
    ['row,name,data\nitem,R,heavy', 'is no data of an item'],
    ['row,name,"own: Tow bar? [yes|no]"\nimpossible,,', 'needs an answer'],
    ['row,name,year [2005-2010]\nvariant,x,1999', 'outside 2005 to 2010'],
  ])('says of %j what to do', (text, words) => {
    expect(
      readKitSheetCsv(text)
        .problems.map((each) => each.text)
        .join(' '),
    ).toContain(words);
  });

  it('reads what a spreadsheet saves with semicolons, and what it would run is text', () => {
    const text =
      'row;name;count;data;lamp: Lamps? [bulbs|led]\r\nitem;"\'=Lamp";2;;\r\nvariant;x;;;bulbs\r\n';
    const { sheet, problems } = readKitSheetCsv(text);
    expect(problems).toEqual([]);
    expect(sheet?.items[0]?.what).toBe('=Lamp');
    expect(sheet && kitSheetCsv(sheet)).toContain("'=Lamp");
  });

  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc
            .array(fc.array(fc.string()))
            .map((rows) => `row,name\n${rows.map((row) => row.join()).join('\n')}`),
        ),
        (text) => {
          expect(readKitSheetCsv(text)).toHaveProperty('problems');
          expect(readKit(text)).toHaveProperty('problems');
        },
      ),
    );
  });
});

describe('a kit as a file', () => {
  it('comes back as it went, and a bare sheet is read too', () => {
    expect(readKit(writeKitFile(kit))).toEqual({ kit, sheet: kit.sheet, problems: [] });
    expect(readKit(JSON.stringify(kit.sheet)).sheet).toEqual(kit.sheet);
    expect(readKit(kitSheetCsv(kit.sheet)).sheet?.variants).toHaveLength(4);
  });

  it('is refused in words', () => {
    expect(readKit('{').problems[0]?.text).toContain('not JSON');
    expect(readKit('{"format":"other"}').problems[0]?.text).toContain('no Vumble kit');
    const broken = writeKitFile(kit).replace('"count": 2', '"count": -1');
    expect(readKit(broken).problems[0]?.text).toContain('kit.sheet.items.0.count');
  });
});
