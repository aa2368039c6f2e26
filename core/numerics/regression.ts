/** A straight line through points by least squares. */
export interface FittedLine {
  /** units of y a unit of x */
  slope: number;
  /** standard deviation of the points about the line, units of y */
  residual: number;
  /** sum of the squares of x about its mean: what the slope's uncertainty goes by */
  spread: number;
}

/** The line through some points that leaves the least squares; of fewer than three points its residual is nought. */
export function fitLine(x: readonly number[], y: readonly number[]): FittedLine {
  const meanX = mean(x);
  const meanY = mean(y);
  let spread = 0;
  let product = 0;
  x.forEach((value, index) => {
    spread += (value - meanX) ** 2;
    product += (value - meanX) * ((y[index] ?? 0) - meanY);
  });
  const slope = product / spread;
  const squares = x.reduce(
    (sum, value, index) => sum + ((y[index] ?? 0) - meanY - slope * (value - meanX)) ** 2,
    0,
  );
  return { slope, residual: Math.sqrt(squares / Math.max(1, x.length - 2)), spread };
}

/** Arithmetic mean, in units of the values; not a number of none. */
export function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** The value that half of them do not exceed, in units of the values. */
export function median(values: readonly number[]): number {
  return quantile(values, 0.5);
}

/** The value that a share of them does not exceed, in units of the values: the nearest of those there are. */
export function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.round(share * (sorted.length - 1))] ?? Number.NaN;
}

/** Two-sided 95 % Student t (from memory, to two decimals). */
const STUDENT_T95 = [12.71, 4.3, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26, 2.23, 2.2, 2.18, 2.16, 2.14, 2.13];

/** Two-sided 95 % Student t, a factor; beyond its table it nears 1.96. */
export function studentT95(degreesOfFreedom: number): number {
  return STUDENT_T95[degreesOfFreedom - 1] ?? 1.96 + 2.4 / degreesOfFreedom;
}
