import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Life, medianLife, survivalOf } from './survival.ts';

/** Weeks of remission, those still in it marked. */
const lives = (text: string): Life[] =>
  text.split(' ').map((each) => ({ from: 0, until: Number.parseInt(each, 10), ended: !each.endsWith('+') }));

// E. J. Freireich and others, Blood 21 (1963) 699, the remission times of 42 children, as textbooks of survival work them
// out (D. R. Cox and D. Oakes, Analysis of Survival Data, 1984, and many others); values from memory.
const TREATED = lives('6 6 6 6+ 7 9+ 10 10+ 11+ 13 16 17+ 19+ 20+ 22 23 25+ 32+ 32+ 34+ 35+');
const PLACEBO = lives('1 1 2 2 3 4 4 5 5 8 8 8 8 11 11 12 12 15 17 22 23');

describe('the share that lasts', () => {
  it('of the children treated is that of the published example, with Greenwood’s errors', () => {
    const steps = survivalOf(TREATED);
    expect(steps.map(({ at, atRisk, ended }) => [at, atRisk, ended])).toEqual([
      [6, 21, 3],
      [7, 17, 1],
      [10, 15, 1],
      [13, 12, 1],
      [16, 11, 1],
      [22, 7, 1],
      [23, 6, 1],
    ]);
    const published = [0.857, 0.807, 0.753, 0.69, 0.627, 0.538, 0.448];
    const errors = [0.0764, 0.0869, 0.0963, 0.1068, 0.1141, 0.1282, 0.1346];
    steps.forEach(({ survival, error }, index) => {
      expect(survival).toBeCloseTo(published[index] ?? 0, 3);
      expect(error).toBeCloseTo(errors[index] ?? 0, 4);
    });
    expect(medianLife(steps)).toBe(23);
  });

  it('has the log-log limits of the published example', () => {
    // At 6 and 23 weeks 0.620 to 0.952 and 0.188 to 0.680.
    const steps = survivalOf(TREATED);
    expect(steps[0]?.low).toBeCloseTo(0.62, 2);
    expect(steps[0]?.high).toBeCloseTo(0.952, 2);
    expect(steps.at(-1)?.low).toBeCloseTo(0.188, 2);
    expect(steps.at(-1)?.high).toBeCloseTo(0.68, 2);
    for (const { low, survival, high } of steps) {
      expect(low).toBeLessThan(survival);
      expect(high).toBeGreaterThan(survival);
      expect(low).toBeGreaterThan(0);
      expect(high).toBeLessThan(1);
    }
  });

  it('of those not treated, none of whom was still in remission, is the plain share', () => {
    const steps = survivalOf(PLACEBO);
    for (const { at, survival } of steps)
      expect(survival).toBeCloseTo(PLACEBO.filter(({ until }) => until > at).length / 21, 12);
    expect(medianLife(steps)).toBe(8);
    expect(steps.at(-1)?.survival).toBe(0);
  });

  it('is what counting at each age over all of them says, late entry and bad lives among them', () => {
    const age = fc.integer({ min: 0, max: 12 });
    const life = fc.record({ from: age, until: age, ended: fc.boolean() });
    fc.assert(
      fc.property(fc.array(life, { maxLength: 30 }), (all) => {
        let survival = 1;
        const plain: [number, number][] = [];
        for (let at = 0; at <= 12; at += 1) {
          const atRisk = all.filter(({ from, until }) => from < at && until >= at).length;
          const ended = all.filter((each) => each.ended && each.until === at && each.from < at).length;
          if (ended === 0) continue;
          survival *= 1 - ended / atRisk;
          plain.push([at, survival]);
        }
        const steps = survivalOf(all);
        expect(steps.map(({ at }) => at)).toEqual(plain.map(([at]) => at));
        steps.forEach((step, index) => {
          expect(step.survival).toBeCloseTo(plain[index]?.[1] ?? Number.NaN, 12);
        });
      }),
    );
  });

  it('counts what came under watch late from then on', () => {
    // Two of four were first seen at 5: at 3 there are two at risk, at 8 three.
    const late: Life[] = [
      { from: 0, until: 3, ended: true },
      { from: 0, until: 10, ended: false },
      { from: 5, until: 8, ended: true },
      { from: 5, until: 12, ended: false },
    ];
    const steps = survivalOf(late);
    expect(steps.map(({ at, atRisk }) => [at, atRisk])).toEqual([
      [3, 2],
      [8, 3],
    ]);
    expect(steps[1]?.survival).toBeCloseTo(0.5 * (2 / 3), 12);
    // What failed before anybody watched it tells of nothing.
    expect(survivalOf([{ from: 5, until: 5, ended: true }])).toEqual([]);
  });

  it('of nothing is nothing', () => {
    expect(survivalOf([])).toEqual([]);
    expect(medianLife([])).toBeNull();
    expect(survivalOf([{ from: 0, until: 4, ended: false }])).toEqual([]);
  });
});
