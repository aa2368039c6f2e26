import { Matrix, solve } from 'ml-matrix';

/** A periodic function laid through samples. */
export interface HarmonicFit {
  /** 1/s */
  hertz: number;
  /** standard error of that, 1/s */
  error: number;
  /** share of the variance of the samples that it explains, 0 to 1 */
  explained: number;
}

/**
 * The frequency near one at which a fundamental and its harmonics leave the least squares, by a grid and then by Gauss and
 * Newton's steps; the error is that of linearised least squares.
 *
 * @param at moments, s; at least three for each unknown
 * @param near Hz, off by no more than `within` of itself
 * @param harmonics how many, the fundamental counted
 * @returns null where the samples are too few, or no such frequency is near
 */
export function fitHarmonics(
  at: Float64Array,
  values: Float64Array,
  near: number,
  within: number,
  harmonics: number,
): HarmonicFit | null {
  const span = (at.at(-1) ?? 0) - (at[0] ?? 0);
  const middle = ((at.at(-1) ?? 0) + (at[0] ?? 0)) / 2;
  const count = at.length;
  const unknowns = 2 * harmonics + 2;
  if (count < 3 * unknowns || !(span > 0)) return null;
  const mean = values.reduce((sum, value) => sum + value, 0) / count;
  let all = 0;
  for (const value of values) all += (value - mean) ** 2;
  const seconds = Float64Array.from(at, (moment) => moment - middle);
  let best = { hertz: near, left: Number.POSITIVE_INFINITY };
  const steps = Math.ceil(within * near * span * 6);
  for (let step = -steps; step <= steps; step++) {
    const hertz = near * (1 + (within * step) / Math.max(1, steps));
    const left = leastSquares(seconds, values, hertz, harmonics, false).left;
    if (left < best.left) best = { hertz, left };
  }
  let { hertz } = best;
  let error = Number.NaN;
  for (let round = 0; round < 5; round++) {
    const step = leastSquares(seconds, values, hertz, harmonics, true);
    if (Math.abs(step.change) > 0.3 / span) return null;
    hertz += step.change;
    error = step.error;
    best.left = step.left;
    if (Math.abs(step.change) < 1e-9 * hertz) break;
  }
  return Math.abs(hertz / near - 1) > 1.2 * within ? null : { hertz, error, explained: 1 - best.left / all };
}

function leastSquares(
  seconds: Float64Array,
  values: Float64Array,
  hertz: number,
  harmonics: number,
  moving: boolean,
) {
  const unknowns = 1 + 2 * harmonics;
  const plain = normalEquations(seconds, values, hertz, harmonics, null);
  if (!moving) return { ...plain, change: 0, error: Number.NaN };
  const moved = normalEquations(seconds, values, hertz, harmonics, plain.coefficients);
  const freedom = Math.max(1, seconds.length - unknowns - 1);
  return {
    left: moved.left,
    coefficients: moved.coefficients,
    change: moved.coefficients[unknowns] ?? 0,
    error: Math.sqrt((moved.left / freedom) * moved.lastInverse),
  };
}

/** Least squares over the harmonics, and over the frequency where `shape` says how they would move with it. */
function normalEquations(
  seconds: Float64Array,
  values: Float64Array,
  hertz: number,
  harmonics: number,
  shape: readonly number[] | null,
) {
  const unknowns = 1 + 2 * harmonics + (shape ? 1 : 0);
  const normal = new Float64Array(unknowns * unknowns);
  const right = new Float64Array(unknowns);
  const row = new Float64Array(unknowns);
  let squares = 0;
  for (let index = 0; index < seconds.length; index++) {
    const moment = seconds[index] ?? 0;
    row[0] = 1;
    let slope = 0;
    for (let order = 1; order <= harmonics; order++) {
      const angle = 2 * Math.PI * hertz * order * moment;
      const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
      row[2 * order - 1] = cos;
      row[2 * order] = sin;
      if (shape)
        slope +=
          2 * Math.PI * order * moment * ((shape[2 * order] ?? 0) * cos - (shape[2 * order - 1] ?? 0) * sin);
    }
    if (shape) row[unknowns - 1] = slope;
    const value = values[index] ?? 0;
    squares += value * value;
    for (let a = 0; a < unknowns; a++) {
      const weight = row[a] ?? 0;
      right[a] = (right[a] ?? 0) + weight * value;
      for (let b = a; b < unknowns; b++)
        normal[a * unknowns + b] = (normal[a * unknowns + b] ?? 0) + weight * (row[b] ?? 0);
    }
  }
  for (let a = 0; a < unknowns; a++)
    for (let b = 0; b < a; b++) normal[a * unknowns + b] = normal[b * unknowns + a] ?? 0;
  const matrix = Matrix.from1DArray(unknowns, unknowns, normal);
  const sides = Matrix.zeros(unknowns, 2);
  for (let a = 0; a < unknowns; a++) sides.set(a, 0, right[a] ?? 0);
  sides.set(unknowns - 1, 1, 1);
  const solved = solve(matrix, sides);
  const coefficients = solved.getColumn(0);
  const left = Math.max(
    0,
    squares - coefficients.reduce((sum, each, index) => sum + each * (right[index] ?? 0), 0),
  );
  return { coefficients, left, lastInverse: Math.max(0, solved.get(unknowns - 1, 1)) };
}
