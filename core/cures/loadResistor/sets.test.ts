import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJob } from '../../../demo/forTests.ts';
import { manyResistors } from '../../../tests/bench/large.ts';
import { turnCircuits } from '../../model/vehicle/lookUp.ts';
import { resistorsOf } from '../../simulation/fitment.ts';
import { planResistors, planSteps, type ResistorPlan } from './plan.ts';
import { pairsOfMostOhms, setsWithin } from './sets.ts';
import { type Stock, spreadOver } from './stock.ts';

const stocked = (ohms: number, stock = 9): Stock => ({
  partId: `r-${ohms}`,
  ohms,
  watts: 100,
  tolerance: 0,
  price: 1,
  stock,
});
const interval = (minOhms: number, maxOhms: number) => ({ minOhms, maxOhms }) as never;
const together = (set: readonly Stock[], connection: 'series' | 'parallel') =>
  connection === 'series'
    ? set.reduce((sum, { ohms }) => sum + ohms, 0)
    : 1 / set.reduce((sum, { ohms }) => sum + 1 / ohms, 0);

describe('pairs of most ohms', () => {
  it('are those of all pairs, tried one by one, that have most, and no fewer than asked for where there are', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 10, max: 900 }), { minLength: 1, maxLength: 30 }),
        fc.constantFrom('series' as const, 'parallel' as const),
        fc.integer({ min: 1, max: 60 }),
        (tenths, connection, about) => {
          const stock = tenths.map((each) => stocked(each / 10));
          const [low, high] = [2, 40];
          const all = [...setsWithin(stock, connection, interval(low, high))]
            .filter((set) => set.length === 2)
            .map((set) => together(set, connection))
            .toSorted((a, b) => b - a);
          const found = [...pairsOfMostOhms(stock, connection, interval(low, high), about)]
            .filter((set) => set.length === 2)
            .map((set) => together(set, connection))
            .toSorted((a, b) => b - a);
          expect(found).toEqual(all.slice(0, found.length));
          // Pairs alike to the last digit come together or not at all.
          const alike = Math.max(0, ...all.map((each) => all.filter((other) => other === each).length));
          expect(found.length).toBeGreaterThanOrEqual(Math.min(all.length, about - alike));
          expect(found.length).toBeLessThanOrEqual(Math.max(about, all.length <= about ? all.length : 0));
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('values spread over others', () => {
  it('reach from the least to the most, and prefer what is on the shelf', () => {
    const stock = Array.from({ length: 500 }, (_, index) => stocked(1 + index / 10, index % 2 ? 8 : 0));
    const few = spreadOver(stock, 40);
    expect(few.length).toBeLessThanOrEqual(40);
    expect(few.length).toBeGreaterThan(25);
    expect(few[0]?.ohms).toBeLessThan(1.3);
    expect(few.at(-1)?.ohms).toBeGreaterThan(45);
    expect(few.filter((each) => each.stock > 0).length).toBeGreaterThan(few.length - 3);
  });
});

describe('a shelf with more values than can all be tried together', () => {
  const job = demoJob('library-route-3');
  const [circuit] = turnCircuits(job.vehicle);
  if (!circuit) throw new Error('it turns');

  it('gives as the best the pair that is best of all pairs, each tried', () => {
    const shelf = manyResistors(300);
    const many = resistorsOf(shelf);
    const { search, interval: within } = planResistors(job, shelf, circuit);
    expect(search.spreadOver).toBe(40);
    expect(search.choices.length).toBeGreaterThan(100);
    let best = 0;
    const onShelf = many.filter(({ stock }) => stock >= 2);
    for (const one of onShelf)
      for (const other of onShelf) {
        const ohms = 1 / (1 / one.ohms + 1 / other.ohms);
        const enough = one === other ? one.stock >= 4 : true;
        const tolerance = Math.max(one.tolerance, other.tolerance);
        const holds = ohms * (1 + tolerance) <= within.maxOhms && ohms * (1 - tolerance) >= within.minOhms;
        // At charging volts, at the low end of its tolerance, none draws more than is printed on it.
        const borne = [one, other].every((each) => 14.4 ** 2 / (each.ohms * (1 - tolerance)) <= each.watts);
        if (enough && holds && borne) best = Math.max(best, ohms);
      }
    expect(search.choices[0]).toMatchObject({ onShelf: true, connection: 'parallel' });
    expect(search.choices[0]?.ohms).toBeCloseTo(best, 9);
  });

  it('tells how far it is, and keeps no more than are read', () => {
    const shelf = manyResistors(2000);
    const steps = planSteps(job, shelf, circuit);
    const told: number[] = [];
    let plan: ResistorPlan | null = null;
    while (!plan) {
      const step = steps.next();
      if (step.done) plan = step.value;
      else told.push(step.value);
    }
    expect(told.length).toBeGreaterThan(5);
    expect(told).toEqual(told.toSorted((a, b) => a - b));
    expect(Math.max(...told)).toBeLessThanOrEqual(1);
    expect(plan.search.choices.length).toBeLessThanOrEqual(1000);
    expect(plan.search.more).toBeGreaterThan(0);
  });
});
