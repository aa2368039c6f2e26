import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { askSheet } from './askSheet.ts';
import { sheetOf, variant } from './forTests.ts';

const tree = sheetOf(
  { lamp: 2, sensor: 2, colour: 3 },
  [
    variant('old', { year: { from: 2000, to: 2009 } }),
    variant('plain', { year: { from: 2010, to: 2019 }, lamp: ['1'] }),
    variant('led', { year: { from: 2010, to: 2019 }, lamp: ['2'], sensor: ['1'] }),
    variant('led-sensor', { year: { from: 2010, to: 2019 }, lamp: ['2'], sensor: ['2'] }),
  ],
  [],
  [2000, 2019],
);

describe('asking a kit sheet', () => {
  it('asks only what still divides, the most dividing first', () => {
    const asked = askSheet(tree, {});
    expect(asked.settled).toBeNull();
    expect(asked.open.map(({ id }) => id)).not.toContain('colour');
    // By year one half of the answers leaves one variant, the other three: 2 in the mean; by lamp 2.5, by sensor 3.
    expect(asked.open.map(({ id }) => id)).toEqual(['year', 'lamp', 'sensor']);
    expect(askSheet(tree, { year: '2004' })).toMatchObject({ settled: { id: 'old' }, open: [] });
    expect(askSheet(tree, { year: '2012' }).open.map(({ id }) => id)).toEqual(['lamp', 'sensor']);
    expect(askSheet(tree, { year: '2012', lamp: '2', sensor: '2' }).settled?.id).toBe('led-sensor');
  });

  it('leaves a question out that nobody can answer, and says what is left', () => {
    const asked = askSheet(tree, { year: '2012', lamp: '2' }, ['sensor']);
    expect(asked.open).toEqual([]);
    expect(asked.left.map(({ id }) => id)).toEqual(['led', 'led-sensor']);
    expect(asked.settled).toBeNull();
  });

  it('asks what tells only together with another', () => {
    const crossed = sheetOf({ a: 2, b: 2 }, [
      variant('x', { a: ['1'], b: ['1'] }),
      variant('y', { a: ['1'], b: ['2'] }),
      variant('x-again', { a: ['2'], b: ['2'] }),
      variant('y-again', { a: ['2'], b: ['1'] }),
    ]);
    expect(askSheet(crossed, {}).open).toHaveLength(2);
  });

  it('knows a vehicle with no variant, and answers that cannot be', () => {
    const holed = sheetOf({ a: 2 }, [variant('x', { a: ['1'] })]);
    expect(askSheet(holed, { a: '2' })).toMatchObject({ left: [], settled: null, gap: true });
    expect(askSheet(holed, {})).toMatchObject({ settled: null, gap: true, open: [{ id: 'a' }] });
    expect(askSheet(tree, { year: '1950' }).contradicts).toBe(true);
    const excluded = sheetOf({ a: 2 }, [variant('x', { a: ['1'] })], [{ a: ['2'] }]);
    expect(askSheet(excluded, { a: '2' }).contradicts).toBe(true);
    expect(askSheet(excluded, {})).toMatchObject({ settled: { id: 'x' }, open: [] });
  });

  it('always comes to the one variant of a vehicle, whatever order the questions are answered in', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2000, max: 2019 }),
        fc.constantFrom('1', '2'),
        fc.constantFrom('1', '2'),
        (year, lamp, sensor) => {
          const truth = { year: String(year), lamp, sensor, colour: '1' };
          const answers: Record<string, string> = {};
          let asked = askSheet(tree, answers);
          for (let count = 0; !asked.settled && count < 5; count += 1) {
            const [next] = asked.open;
            if (!next) break;
            answers[next.id] = truth[next.id as 'year'];
            asked = askSheet(tree, answers);
          }
          const expected =
            year < 2010 ? 'old' : lamp === '1' ? 'plain' : sensor === '1' ? 'led' : 'led-sensor';
          expect(asked.settled?.id).toBe(expected);
        },
      ),
    );
  });
});
