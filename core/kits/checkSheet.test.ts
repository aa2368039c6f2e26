import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { KitCondition, KitSheet } from '../model/kit.ts';
import { checkSheet, type KitVehicle, type SheetFault } from './checkSheet.ts';
import { sheetOf, variant } from './forTests.ts';

const kinds = (sheet: KitSheet) => checkSheet(sheet).map(({ kind }) => kind);
const of = <K extends SheetFault['kind']>(sheet: KitSheet, kind: K) =>
  checkSheet(sheet).filter((fault): fault is Extract<SheetFault, { kind: K }> => fault.kind === kind);

/** Whether a vehicle meets a condition, read off the condition itself: no bits, no boxes. */
function meets(vehicle: KitVehicle, when: KitCondition): boolean {
  return Object.entries(when).every(([id, said]) =>
    Array.isArray(said)
      ? said.includes(vehicle[id] as string)
      : Number(vehicle[id]) >= said.from && Number(vehicle[id]) <= said.to,
  );
}

/** Every vehicle a sheet can tell apart, one by one. */
function vehicles({ questions }: KitSheet): KitVehicle[] {
  return questions.reduce<KitVehicle[]>(
    (all, question) =>
      all.flatMap((vehicle) => {
        const answers =
          question.about === 'year'
            ? Array.from({ length: question.to - question.from + 1 }, (_, at) => String(question.from + at))
            : question.answers.map(({ id }) => id);
        return answers.map((answer) => ({ ...vehicle, [question.id]: answer }));
      }),
    [{}],
  );
}

describe('a kit sheet as a whole', () => {
  it('is sound where every vehicle has one variant', () => {
    const sheet = sheetOf(
      { lamp: 2 },
      [
        variant('old', { year: { from: 2000, to: 2009 } }),
        variant('new-1', { year: { from: 2010, to: 2020 }, lamp: ['1'] }),
        variant('new-2', { year: { from: 2010, to: 2020 }, lamp: ['2'] }),
      ],
      [],
      [2000, 2020],
    );
    expect(checkSheet(sheet)).toEqual([]);
  });

  it('names a gap by an example, once, and an overlap too', () => {
    const sheet = sheetOf(
      { lamp: 2 },
      [
        variant('old', { year: { from: 2000, to: 2010 } }),
        variant('new-1', { year: { from: 2010, to: 2020 }, lamp: ['1'] }),
        variant('new-2', { year: { from: 2013, to: 2020 }, lamp: ['2'] }),
      ],
      [],
      [2000, 2020],
    );
    expect(of(sheet, 'hole')).toEqual([
      { kind: 'hole', which: { year: ['2011', '2012'], lamp: ['2'] }, example: { year: '2011', lamp: '2' } },
    ]);
    expect(of(sheet, 'overlap')).toEqual([
      {
        kind: 'overlap',
        variantIds: ['old', 'new-1'],
        which: { year: ['2010'], lamp: ['1'] },
        example: { year: '2010', lamp: '1' },
      },
    ]);
  });

  it('asks no variant for vehicles that do not exist, and says which variant is for none', () => {
    const sheet = sheetOf(
      { a: 2, b: 2 },
      [variant('x', { a: ['1'] }), variant('y', { a: ['2'], b: ['1'] })],
      [{ a: ['2'] }],
    );
    expect(checkSheet(sheet)).toEqual([{ kind: 'never', variantId: 'y' }]);
  });

  it('is a gap all through where there is no variant at all, and says so in one line', () => {
    expect(of(sheetOf({ a: 3, b: 3 }, []), 'hole')).toMatchObject([{ which: {} }]);
  });

  it('says what a condition names that is not there, and what is not in the box', () => {
    const sheet: KitSheet = {
      ...sheetOf({ a: 2 }, []),
      items: [{ id: 'r', what: 'Resistor', count: 2 }],
      variants: [
        { ...variant('x', { a: ['1', '7'], b: ['1'] }), uses: [{ itemId: 'r', count: 3 }], used: ['p'] },
      ],
    };
    expect(of(sheet, 'unknown').map(({ what }) => what)).toEqual(['7', 'b', 'p']);
    expect(of(sheet, 'not-in-box')).toMatchObject([{ what: 'r', wanted: 3, there: 2 }]);
    expect(kinds({ ...sheetOf({}, [variant('x', {}), variant('x', {})]) })).toContain('twice');
    expect(kinds(sheetOf({}, [variant('x', {})], [], [2020, 2010]))).toContain('backwards');
  });

  const conditionOf = (counts: readonly number[], years: number) =>
    fc
      .tuple(
        fc.option(fc.tuple(fc.nat(years), fc.nat(years)), { nil: null }),
        ...counts.map((count) =>
          fc.option(
            fc.subarray(
              Array.from({ length: count }, (_, at) => `${at + 1}`),
              { minLength: 1 },
            ),
            { nil: null },
          ),
        ),
      )
      .map(
        ([span, ...answers]): KitCondition => ({
          ...(span ? { year: { from: 2000 + Math.min(...span), to: 2000 + Math.max(...span) } } : {}),
          ...Object.fromEntries(answers.flatMap((each, at) => (each ? [[`q${at}`, each]] : []))),
        }),
      );
  const randomSheet = fc
    .tuple(fc.array(fc.integer({ min: 2, max: 3 }), { maxLength: 4 }), fc.integer({ min: 0, max: 6 }))
    .chain(([counts, years]) =>
      fc.tuple(
        fc.constant(counts),
        fc.constant(years),
        fc.array(conditionOf(counts, years), { maxLength: 6 }),
        fc.array(conditionOf(counts, years), { maxLength: 2 }),
      ),
    )
    .map(([counts, years, whens, impossible]) =>
      sheetOf(
        Object.fromEntries(counts.map((count, at) => [`q${at}`, count])),
        whens.map((when, at) => variant(`v${at}`, when)),
        impossible,
        [2000, 2000 + years],
      ),
    );

  it('finds what going through every vehicle finds (brute force on random sheets)', () => {
    fc.assert(
      fc.property(randomSheet, (sheet) => {
        const real = vehicles(sheet).filter((each) => !sheet.impossible.some((when) => meets(each, when)));
        const inVariants = (each: KitVehicle) => sheet.variants.filter(({ when }) => meets(each, when));
        const gaps = real.filter((each) => inVariants(each).length === 0);
        const holes = of(sheet, 'hole');
        expect(holes.length > 0).toBe(gaps.length > 0);
        for (const { example } of holes) expect(gaps).toContainEqual(example);
        // Every gap is in a part that was named.
        if (holes.length < 12)
          for (const gap of gaps)
            expect(
              holes.some(({ which }) =>
                Object.entries(which).every(([id, all]) => all.includes(gap[id] as string)),
              ),
            ).toBe(true);
        const pairs = new Set(
          real.flatMap((each) => {
            const [a, ...others] = inVariants(each).map(({ id }) => id);
            return a === undefined
              ? []
              : others
                  .map((b) => `${a} ${b}`)
                  .concat(others.flatMap((b, at) => others.slice(at + 1).map((c) => `${b} ${c}`)));
          }),
        );
        const overlaps = of(sheet, 'overlap');
        if (pairs.size < 12)
          expect(new Set(overlaps.map(({ variantIds: [a, b] }) => `${a} ${b}`))).toEqual(pairs);
        for (const { example, variantIds } of overlaps)
          expect(inVariants(example).map(({ id }) => id)).toEqual(expect.arrayContaining([...variantIds]));
        const never = sheet.variants.filter(({ when }) => !real.some((each) => meets(each, when)));
        expect(of(sheet, 'never').map(({ variantId }) => variantId)).toEqual(never.map(({ id }) => id));
      }),
      { numRuns: 300 },
    );
  });

  it('goes through forty years and twenty questions of three answers', () => {
    const { sheet, spoilt } = bigSheet();
    expect(checkSheet(sheet)).toEqual([]);
    expect(of(spoilt, 'hole')).toHaveLength(1);
  });
});

/** Vehicles told apart by years and then by questions in turn: 4.2 × 10¹¹ of them, each with one variant. */
function bigSheet(): { sheet: KitSheet; spoilt: KitSheet } {
  const names = Array.from({ length: 20 }, (_, at) => `q${at}`);
  const variants = [0, 1, 2, 3].flatMap((decade) => {
    const when: KitCondition = { year: { from: 1990 + 10 * decade, to: 1999 + 10 * decade } };
    const mine = names.map((_, at) => names[(at + 5 * decade) % 20] as string);
    const steps = mine.map((name, at) =>
      variant(`d${decade}-${at}`, {
        ...when,
        ...Object.fromEntries(mine.slice(0, at).map((before) => [before, ['1', '2']])),
        [name]: ['3'],
      }),
    );
    const rest = variant(`d${decade}-rest`, {
      ...when,
      ...Object.fromEntries(mine.map((name) => [name, ['1', '2']])),
    });
    return [...steps, rest];
  });
  const sheet = sheetOf(Object.fromEntries(names.map((name) => [name, 3])), variants, [], [1990, 2029]);
  return { sheet, spoilt: { ...sheet, variants: variants.filter(({ id }) => id !== 'd2-11') } };
}
