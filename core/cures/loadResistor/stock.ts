import { E12, seriesBetween } from '../../catalogue/eSeries.ts';
import type { ResistorNetwork } from '../../model/cures.ts';
import type { ResistorPart } from '../../model/part.ts';
import { BOUGHT_TOLERANCE } from '../highestPiece.ts';
import type { OhmsInterval } from './interval.ts';

/** Most pieces a side may have. */
export const MOST_PIECES = 4;

/** A resistor that could be used. A part yet to be bought gets its size once its share of the heat is known. */
export interface Stock {
  partId: string | null;
  ohms: number;
  watts: number | null;
  tolerance: number;
  price: number | null;
  stock: number;
}

/**
 * What could be used: every shelf part, and the E12 values the shelf lacks. Of those to be bought, values
 * that even four alike could not bring into the interval are left out.
 */
export function stockFor(
  interval: OhmsInterval,
  shelf: readonly ResistorPart[],
  values: 'shelf' | 'all',
): Stock[] {
  const most = interval.maxOhms * MOST_PIECES;
  const least = Math.max(interval.minOhms, interval.maxOhms / 1000) / MOST_PIECES;
  const stocked = shelf.map(
    ({ id, ohms, watts, tolerance, price, stock }): Stock => ({
      partId: id,
      ohms,
      watts,
      tolerance,
      price,
      stock,
    }),
  );
  if (values === 'shelf') return stocked;
  const lacking = seriesBetween(E12, least, most).filter(
    (ohms) => !stocked.some((each) => Math.abs(each.ohms - ohms) < 0.01 * ohms),
  );
  const toBuy = lacking.map(
    (ohms): Stock => ({
      partId: null,
      ohms,
      watts: null,
      tolerance: BOUGHT_TOLERANCE,
      price: null,
      stock: 0,
    }),
  );
  return [...stocked, ...toBuy];
}

/**
 * The resistors that can be part of a set at all: each within its printed watts in the set in which it has least to bear,
 * and of no more ohms, or siemens, than all together may have.
 *
 * @param volts across the set
 */
export function usable(
  stock: readonly Stock[],
  connection: ResistorNetwork['connection'],
  { minOhms, maxOhms }: OhmsInterval,
  volts: number,
): Stock[] {
  return stock.filter(({ ohms, watts, tolerance }) => {
    if (connection === 'series')
      return ohms <= maxOhms && (watts === null || watts >= (ohms * volts ** 2) / maxOhms ** 2);
    return ohms >= minOhms && (watts === null || watts >= volts ** 2 / (ohms * (1 - tolerance)) - 1e-9);
  });
}

/**
 * So many resistors in the place of more: the values spread evenly over theirs, by ratio, of each the one with most on the
 * shelf, then the cheapest.
 */
export function spreadOver(stock: readonly Stock[], count: number): Stock[] {
  if (stock.length <= count) return [...stock];
  const logs = stock.map(({ ohms }) => Math.log(ohms));
  const least = logs.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY);
  const span = logs.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY) - least || 1;
  const best = new Map<number, Stock>();
  stock.forEach((each, index) => {
    const bin = Math.min(count - 1, Math.floor((count * ((logs[index] ?? least) - least)) / span));
    const held = best.get(bin);
    if (!held || before(each, held)) best.set(bin, each);
  });
  return stock.filter((each) => [...best.values()].includes(each));
}

function before(a: Stock, b: Stock): boolean {
  const enough = (each: Stock) => Math.min(each.stock, 2 * MOST_PIECES);
  if (enough(a) !== enough(b)) return enough(a) > enough(b);
  return (a.price ?? Number.POSITIVE_INFINITY) < (b.price ?? Number.POSITIVE_INFINITY);
}
