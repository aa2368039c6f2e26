import fc from 'fast-check';
import { solve as denseSolve, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { SingularError, SymmetricSolver } from './symmetricSolver.ts';

interface System {
  size: number;
  pairs: [number, number, number][];
  toEarth: number[];
  rhs: number[];
}

const systems: fc.Arbitrary<System> = fc.integer({ min: 2, max: 14 }).chain((size) =>
  fc.record({
    size: fc.constant(size),
    pairs: fc.array(
      fc
        .tuple(fc.nat(size - 1), fc.nat(size - 1), fc.double({ min: 1e-3, max: 1e3, noNaN: true }))
        .filter(([a, b]) => a !== b),
      { maxLength: 3 * size },
    ),
    toEarth: fc.array(fc.double({ min: 1e-2, max: 10, noNaN: true }), { minLength: size, maxLength: size }),
    rhs: fc.array(fc.double({ min: -10, max: 10, noNaN: true }), { minLength: size, maxLength: size }),
  }),
);

function solved({ size, pairs, toEarth, rhs }: System): number[] {
  const solver = new SymmetricSolver(
    size,
    pairs.map(([a, b]) => [a, b]),
  );
  const out = new Float64Array(size);
  // Twice, since a solver lives through many systems.
  for (let round = 0; round < 2; round += 1) {
    solver.clear();
    pairs.forEach(([a, b, siemens], index) => solver.addPair(index, a, b, siemens));
    toEarth.forEach((siemens, unknown) => solver.addDiagonal(unknown, siemens));
    solver.solve(Float64Array.from(rhs), out);
  }
  return [...out];
}

describe('SymmetricSolver', () => {
  it('agrees with a dense solution (ml-matrix) on random circuits', () => {
    fc.assert(
      fc.property(systems, (system) => {
        const matrix = Matrix.zeros(system.size, system.size);
        const add = (i: number, j: number, value: number) => matrix.set(i, j, matrix.get(i, j) + value);
        for (const [a, b, siemens] of system.pairs) {
          add(a, a, siemens);
          add(b, b, siemens);
          add(a, b, -siemens);
          add(b, a, -siemens);
        }
        system.toEarth.forEach((siemens, unknown) => add(unknown, unknown, siemens));
        const dense = denseSolve(matrix, Matrix.columnVector(system.rhs)).to1DArray();
        solved(system).forEach((value, unknown) =>
          expect(value).toBeCloseTo(dense[unknown] ?? Number.NaN, 6),
        );
      }),
      { numRuns: 300, seed: 3 },
    );
  });

  it('says which unknown is tied to nothing', () => {
    const solver = new SymmetricSolver(2, []);
    solver.clear();
    solver.addDiagonal(0, 1);
    try {
      solver.solve(new Float64Array(2), new Float64Array(2));
      expect.unreachable();
    } catch (error) {
      expect(error).toBeInstanceOf(SingularError);
      expect((error as SingularError).unknown).toBe(1);
    }
  });

  it('costs about in proportion to the size of a tree: no fill', () => {
    const size = 400;
    const star = new SymmetricSolver(
      size,
      Array.from({ length: size - 1 }, (_, index) => [0, index + 1] as const),
    );
    star.clear();
    for (let leaf = 1; leaf < size; leaf += 1) {
      star.addPair(leaf - 1, 0, leaf, 1);
      star.addDiagonal(leaf, 1);
    }
    const rhs = new Float64Array(size);
    rhs[0] = 1;
    const out = new Float64Array(size);
    star.solve(rhs, out);
    // Each leaf hangs on half a siemens: the hub sees 399 of them.
    expect(out[0]).toBeCloseTo(2 / (size - 1), 12);
    expect(out[17]).toBeCloseTo(1 / (size - 1), 12);
  });
});
