/** Two abscissas this near to each other, as a share of the larger, are one. */
const SAME = 1e-6;
const MOST_STEPS = 80;

/** A function's values at the two ends of an interval in which it changes its sign. */
export interface Bracket {
  /** where it is under nought */
  below: number;
  /** where it is not */
  above: number;
  valueBelow: number;
  valueAbove: number;
}

/**
 * Where a function changes its sign, from both of whose sides it has been asked: the Illinois variant of the rule of
 * false position (M. Dowell and P. Jarratt, BIT 11, 1971, from memory), which keeps its bracket and hardly ever needs
 * more than a handful of steps where the function is nearly straight.
 *
 * @param of the function; both ends of the bracket are its own abscissas, above nought
 * @returns of the two ends of the last bracket the one where it is not under nought, in units of the abscissa
 */
export function falsePosition(of: (at: number) => number, bracket: Bracket): number {
  let { below, above, valueBelow, valueAbove } = bracket;
  let side = 0;
  for (let step = 0; step < MOST_STEPS && Math.abs(above - below) > SAME * Math.abs(above); step += 1) {
    const at = (below * valueAbove - above * valueBelow) / (valueAbove - valueBelow);
    const value = of(at);
    if (value >= 0) {
      above = at;
      valueAbove = value;
      // The end that stays twice counts half, or it would stay for good.
      if (side === 1) valueBelow /= 2;
      side = 1;
      if (value === 0) break;
    } else {
      below = at;
      valueBelow = value;
      if (side === -1) valueAbove /= 2;
      side = -1;
    }
  }
  return above;
}

/**
 * The largest abscissa at which a condition still holds that is true at the lower end and, from somewhere on, false: by
 * halving, twenty-four times.
 *
 * @returns in units of the abscissa; the lower end where it does not even hold there is for the caller to ask
 */
export function lastThat(holds: (at: number) => boolean, from: number, to: number): number {
  let low = from;
  let high = to;
  for (let step = 0; step < 24; step += 1) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Where a function with one valley is least, by golden section; in units of the abscissa. */
export function leastAt(of: (at: number) => number, from: number, to: number): number {
  const golden = (Math.sqrt(5) - 1) / 2;
  let low = from;
  let high = to;
  for (let step = 0; step < 40; step += 1) {
    const a = high - golden * (high - low);
    const b = low + golden * (high - low);
    if (of(a) < of(b)) high = b;
    else low = a;
  }
  return (low + high) / 2;
}
