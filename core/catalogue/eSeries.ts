/** Preferred values of IEC 60063 (from memory), one decade. */
export const E12 = [1.0, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2] as const;
export const E24 = [
  1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8,
  7.5, 8.2, 9.1,
] as const;

/** Sizes in which aluminium-housed resistors are commonly sold, W (common practice). */
export const STANDARD_WATTS = [25, 50, 100] as const;

/**
 * Every value of a series between two limits, rising.
 *
 * @param series one decade, 1 to just under 10
 * @param low lower limit, ohms, above 0
 * @param high upper limit, ohms
 * @throws RangeError for a lower limit that is not above 0
 */
export function seriesBetween(series: readonly number[], low: number, high: number): number[] {
  if (!(low > 0)) throw new RangeError('the lower limit of a preferred series must be above 0 Ω');
  const values: number[] = [];
  for (let decade = Math.floor(Math.log10(low)); 10 ** decade <= high; decade += 1) {
    for (const step of series) {
      const value = Number((step * 10 ** decade).toPrecision(3));
      if (value >= low && value <= high) values.push(value);
    }
  }
  return values;
}
