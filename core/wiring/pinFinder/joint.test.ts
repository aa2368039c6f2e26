import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { jointMap, type Placed } from './joint.ts';

const once: Placed = { most: 1, again: 0.25, missing: 0.1 };
const nothing: Placed = { most: Number.POSITIVE_INFINITY, again: 0.3, missing: 1 };

/** The same by going through every map there is. */
function byHand(agrees: readonly (readonly number[])[], functions: readonly Placed[]) {
  const maps: { map: number[]; weight: number }[] = [];
  const go = (map: number[], weight: number): void => {
    if (weight === 0) return;
    if (map.length === agrees.length) {
      const missing = functions.reduce(
        (product, each, place) =>
          Number.isFinite(each.most) && !map.includes(place) ? product * each.missing : product,
        1,
      );
      maps.push({ map, weight: weight * missing });
      return;
    }
    functions.forEach((each, place) => {
      const used = map.filter((one) => one === place).length;
      if (used >= each.most) return;
      const again = !Number.isFinite(each.most) || used > 0 ? each.again : 1;
      go([...map, place], weight * (agrees[map.length]?.[place] ?? 0) * again);
    });
  };
  go([], 1);
  const total = maps.reduce((sum, { weight }) => sum + weight, 0);
  const best = maps.reduce((most, each) => (each.weight > most.weight ? each : most));
  return {
    probability: best.weight / total,
    marginals: agrees.map((_, cavity) =>
      functions.map(
        (__, place) =>
          maps.filter(({ map }) => map[cavity] === place).reduce((sum, { weight }) => sum + weight, 0) /
          total,
      ),
    ),
  };
}

describe('jointMap', () => {
  const weight = fc.double({ min: 0.02, max: 5, noNaN: true });

  it('is what going through every map gives: marginals and the likeliest of them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(weight, { minLength: 4, maxLength: 4 }), { minLength: 1, maxLength: 5 }),
        fc.constantFrom(1, 2),
        (agrees, most) => {
          const functions = [once, { ...once, most }, once, nothing];
          const joint = jointMap(agrees, functions);
          const hand = byHand(agrees, functions);
          expect(joint.probability).toBeCloseTo(hand.probability, 9);
          joint.marginals.forEach((row, cavity) => {
            row.forEach((share, place) => expect(share).toBeCloseTo(hand.marginals[cavity]?.[place] ?? 0, 9));
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('settles what is left by what is taken: three cavities known, the fourth is known', () => {
    const sure = (place: number) => [0, 1, 2].map((each) => (each === place ? 1 : 0.001));
    const { likeliest, marginals } = jointMap([sure(0), sure(1), [1, 1, 1]], [once, once, once]);
    expect(likeliest).toEqual([0, 1, 2]);
    expect(marginals[2]?.[2]).toBeGreaterThan(0.99);
  });

  it('lets a wire that branches behind the plug come in twice, and no other', () => {
    const both = [1, 0.01];
    const twice = jointMap(
      [both, both],
      [
        { ...once, most: 2, missing: 1 },
        { ...once, missing: 1 },
      ],
    );
    expect(twice.likeliest).toEqual([0, 0]);
    expect(jointMap([both, both], [once, once]).likeliest.toSorted()).toEqual([0, 1]);
  });

  it('does not run out of memory at a plug of two dozen functions', () => {
    const functions = Array.from({ length: 25 }, () => once);
    const agrees = Array.from({ length: 16 }, (_, cavity) =>
      functions.map((__, place) => (place === cavity ? 3 : 0.1)),
    );
    const { likeliest } = jointMap(agrees, functions);
    expect(likeliest).toEqual(Array.from({ length: 16 }, (_, at) => at));
  });
});
