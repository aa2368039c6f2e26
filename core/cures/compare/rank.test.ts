import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CureReport } from './evaluate.ts';
import { type CureKind, option } from './option.ts';
import { bestInWords, CRITERIA, DEFAULT_WEIGHTS, rankCures } from './rank.ts';
import type { WarningKept } from './warningKept.ts';

/** A report with only what ranking looks at; everything else as of a cure that works and costs nothing. */
function report(
  id: string,
  more: Partial<CureReport> = {},
  kinds: CureKind[] = ['load-resistor'],
): CureReport {
  return {
    option: option(id, kinds, id, {}),
    state: 'holds',
    watcher: 'holds',
    allFour: false,
    reason: '',
    points: [],
    situations: [],
    litAmps: 1,
    hottest: null,
    hottestLed: null,
    savedWatts: 0,
    heatWatts: 0,
    warning: 'kept',
    unconverted: 0,
    parts: [],
    price: 0,
    unpriced: 0,
    cautions: [],
    cuts: 0,
    reversible: true,
    access: '',
    minutes: [0, 0],
    needs: [],
    ...more,
  };
}

const anyReport = (id: string) =>
  fc
    .record({
      state: fc.constantFrom(
        'holds' as const,
        'either-way' as const,
        'falls-short' as const,
        'too-much' as const,
      ),
      warning: fc.constantFrom<WarningKept>('kept', 'partly', 'lost'),
      heatWatts: fc.double({ min: 0, max: 200, noNaN: true }),
      cuts: fc.nat(12),
      unconverted: fc.nat(4),
      price: fc.double({ min: -20, max: 200, noNaN: true }),
      unpriced: fc.nat(3),
      minutes: fc.tuple(fc.nat(60), fc.nat(120)),
    })
    .map((fields) => report(id, fields));

const someReports = fc
  .nat(7)
  .chain((count) => fc.tuple(...Array.from({ length: count + 1 }, (_, index) => anyReport(`cure-${index}`))));
const someWeights = fc.record({
  warning: fc.nat(10),
  heat: fc.nat(10),
  cuts: fc.nat(10),
  whole: fc.nat(10),
  time: fc.nat(10),
  price: fc.nat(10),
});

describe('rankCures', () => {
  it('puts what works before what may, and that before what does not; by score within', () => {
    fc.assert(
      fc.property(someReports, someWeights, (reports, weights) => {
        const ranked = rankCures(reports, weights);
        const order = ['holds', 'either-way', 'falls-short', 'too-much'];
        const states = ranked.map((each) => order.indexOf(each.report.state ?? ''));
        expect(states.toSorted((a, b) => a - b)).toEqual(states);
        const scores = ranked.flatMap((each) => (each.score === null ? [] : [each.score]));
        expect(scores.toSorted((a, b) => b - a)).toEqual(scores);
        expect(scores.every((score) => score >= 0 && score <= 1 + 1e-12)).toBe(true);
      }),
    );
  });

  it('loses nothing and adds nothing', () => {
    fc.assert(
      fc.property(someReports, (reports) => {
        const ids = (list: readonly CureReport[]) => list.map((each) => each.option.id).toSorted();
        expect(ids(rankCures(reports).map((each) => each.report))).toEqual(ids(reports));
      }),
    );
  });

  it('never calls one dominated that no weights could put behind the dominating one', () => {
    fc.assert(
      fc.property(someReports, someWeights, (reports, weights) => {
        const ranked = rankCures(reports, weights);
        for (const each of ranked) {
          if (each.dominatedBy === null) continue;
          const better = ranked.find((other) => other.report.option.name === each.dominatedBy);
          expect(better?.report.state).toBe('holds');
          // Whatever the weights are: as good in everything is never behind.
          expect(better?.score ?? -1).toBeGreaterThanOrEqual((each.score ?? 0) - 1e-12);
          for (const criterion of CRITERIA)
            expect(better?.marks[criterion] ?? 0).toBeGreaterThanOrEqual(each.marks[criterion]);
        }
      }),
    );
  });

  it('does not mark one of two that are alike', () => {
    const ranked = rankCures([report('a', { cuts: 2 }), report('b', { cuts: 2 })]);
    expect(ranked.map((each) => each.dominatedBy)).toEqual([null, null]);
  });

  it('marks by how much is minded: six joints, 40 W, an hour, 40 of money each leave about a third', () => {
    const [ranked] = rankCures([
      report('a', {
        cuts: 6,
        heatWatts: 40,
        minutes: [40, 80],
        price: 40,
        unconverted: 2,
        warning: 'partly',
      }),
    ]);
    for (const criterion of CRITERIA) expect(ranked?.marks[criterion]).toBeCloseTo(1 / Math.E, 9);
  });

  it('is calm without any weight at all', () => {
    const none = { warning: 0, heat: 0, cuts: 0, whole: 0, time: 0, price: 0 };
    expect(rankCures([report('a'), report('b', { cuts: 9 })], none).map((each) => each.score)).toEqual([
      0, 0,
    ]);
  });

  it('by the trade’s default prefers the warning kept to an hour saved', () => {
    const [first] = rankCures(
      [report('quick', { warning: 'lost', minutes: [5, 10] }), report('kept', { minutes: [50, 80] })],
      DEFAULT_WEIGHTS,
    );
    expect(first?.report.option.id).toBe('kept');
  });
});

describe('bestInWords', () => {
  const words = (...reports: CureReport[]) => bestInWords(rankCures(reports));

  it('says that nothing is needed where nothing holds', () => {
    expect(words(report('none', {}, ['nothing']), report('relay', { price: 8 }, ['flasher-relay']))).toMatch(
      /^No cure is needed/,
    );
  });

  it('names what the best one costs: warning, mixed look, heat, joints', () => {
    expect(words(report('load', { warning: 'lost', unconverted: 2, heatWatts: 64.2, cuts: 4 }))).toMatch(
      /its price: the failure warning is lost, 2 lamps stay filament, a mixed look, 64 W of heat while lit and 4 joints in the loom\.$/,
    );
  });

  it('is honest where nothing holds for certain, or at all', () => {
    expect(words(report('load', { state: 'either-way' }))).toMatch(/load could go either way/);
    expect(words(report('load', { state: 'falls-short' }))).toMatch(/accept it as unresolved/);
    expect(words()).toBe('Nothing was tried.');
  });
});

it('does not advise a filament where nothing is known to mind the LEDs: fit them and see', () => {
  const alone = report('alone', { state: 'either-way' }, ['nothing']);
  const kept = report('filament', { unconverted: 1 }, ['filament']);
  expect(rankCures([kept, alone]).map(({ report: { option: of } }) => of.id)).toEqual(['alone', 'filament']);
  expect(bestInWords(rankCures([kept, alone]))).toMatch(
    /^The LEDs alone may hold.*if something does, filament holds/,
  );
  // Where they surely fall short it is what holds.
  const short = report('alone', { state: 'falls-short' }, ['nothing']);
  expect(rankCures([short, kept])[0]?.report.option.id).toBe('filament');
});
