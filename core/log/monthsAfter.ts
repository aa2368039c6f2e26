/**
 * The day so many months after another; where that month is shorter its last day: 31 January and one month is 28 February.
 *
 * @param from a day or moment, ISO 8601
 * @returns a day, `2028-11-30`
 */
export function monthsAfter(from: string, months: number): string {
  const [year = 0, month = 1, day = 1] = from.slice(0, 10).split('-').map(Number);
  const index = year * 12 + month - 1 + months;
  const [y, m] = [Math.floor(index / 12), index % 12];
  const lastDay = new Date(Date.UTC(y, m + 1, 0)).getUTCDate();
  return new Date(Date.UTC(y, m, Math.min(day, lastDay))).toISOString().slice(0, 10);
}
