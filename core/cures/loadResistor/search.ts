// Longer than 300 lines: one search, whose pruning is read with the order it goes in.
import { E12, STANDARD_WATTS, seriesBetween } from '../../catalogue/eSeries.ts';
import { parallelOhms, pieceWatts, seriesOhms } from '../../circuit/resistorNetwork.ts';
import { amps } from '../../formatting/format.ts';
import { condemnedIn } from '../../heat/mounts.ts';
import type { HeatVerdict } from '../../heat/useCases.ts';
import { chargingVolts } from '../../judge/workingPoints.ts';
import type { LoadResistorCure, ResistorNetwork, ResistorPiece } from '../../model/cures.ts';
import type { ResistorPart } from '../../model/part.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';
import { BOUGHT_TOLERANCE } from '../highestPiece.ts';
import type { OhmsInterval } from './interval.ts';

/** A set of resistors for one side that keeps every limit. */
export interface ResistorChoice {
  cure: LoadResistorCure;
  connection: ResistorNetwork['connection'];
  pieces: readonly ResistorPiece[];
  /** printed value of all together, ohms */
  ohms: number;
  /** all pieces for the sides asked for are on the shelf */
  onShelf: boolean;
  /** price for one side; null when a piece is not on the shelf and so has no known price */
  price: number | null;
  /** heat of the whole side while lit at charging volts, W */
  litWatts: number;
  /** heat of the hottest piece while lit at charging volts, W */
  hottestWatts: number;
}

export interface ResistorSearch {
  choices: readonly ResistorChoice[];
  /** sets there are: each was looked at, or ruled out with all its like by what they add up to */
  examined: number;
  /** why there are none, when there are none */
  none: string | null;
}

/** Most pieces a side may have. */
export const MOST_PIECES = 4;

/** A resistor that could be used. A part yet to be bought gets its size once its share of the heat is known. */
interface Stock {
  partId: string | null;
  ohms: number;
  watts: number | null;
  tolerance: number;
  price: number | null;
  stock: number;
}

/**
 * Every set of one to four resistors, all side by side or all in a row, from the shelf and from the E12
 * series in 25, 50 and 100 W, that keeps the interval over its tolerance, stays within its printed watts, and bears
 * its heat on the metal there, in every use of the feed.
 *
 * Ranked: on the shelf first; then nearest to one a converted main bulb (spreads the heat, each tapped at
 * its own lamp); then least heat; then price; then ohms.
 *
 * @param sides how many sides get the same set, for counting stock
 * @param within what to search less than all of: shelf values alone, lamps of one end alone, the first so many that
 *   bear their heat
 */
export function searchResistors(
  fitted: TurnCircuits,
  circuit: TurnCircuit,
  interval: OhmsInterval,
  shelf: readonly ResistorPart[],
  sides = 2,
  {
    values = 'all',
    at,
    most = Number.POSITIVE_INFINITY,
  }: { values?: 'shelf' | 'all'; at?: Lamp['end'] | undefined; most?: number } = {},
): ResistorSearch {
  if (interval.maxOhms === Number.POSITIVE_INFINITY) {
    return {
      choices: [],
      examined: 0,
      none: 'The bulbs now fitted clear the band by themselves: no resistor is needed.',
    };
  }
  const mounts = mountsFor(fitted, circuit).filter((lamp) => at === undefined || lamp.end === at);
  if (mounts.length === 0) {
    return {
      choices: [],
      examined: 0,
      none: 'No converted lamp of this side has metal within reach to mount a resistor on.',
    };
  }
  const volts = chargingVolts(fitted.vehicle.systemVolts);
  const stock = candidates(interval, shelf, values);
  const choices: ResistorChoice[] = [];
  for (const connection of ['parallel', 'series'] as const) {
    for (const set of setsWithin(stock, connection, interval)) {
      const choice = choiceOf(set, connection, mounts, volts, sides, interval);
      if (choice) choices.push(choice);
    }
  }
  const followed = new Map<string, HeatVerdict>();
  const bears = ({ cure }: ResistorChoice) =>
    condemnedIn(fitted.vehicle, cure.networks, volts, cure.networks, followed) === null;
  const wanted = mounts.length;
  choices.sort(
    (a, b) =>
      Number(b.onShelf) - Number(a.onShelf) ||
      Math.abs(a.pieces.length - wanted) - Math.abs(b.pieces.length - wanted) ||
      a.litWatts - b.litWatts ||
      (a.price ?? Number.POSITIVE_INFINITY) - (b.price ?? Number.POSITIVE_INFINITY) ||
      b.ohms - a.ohms,
  );
  const borne: ResistorChoice[] = [];
  for (const choice of choices) {
    if (borne.length >= most) break;
    let larger: ResistorChoice | null = choice;
    while (larger && !bears(larger)) larger = oneSizeLarger(larger);
    if (larger) borne.push(larger);
  }
  return {
    choices: borne,
    examined: 2 * setsThereAre(stock.length) - stock.length,
    none:
      borne.length > 0
        ? null
        : choices.length > 0
          ? 'Every set that would do gets hotter on this metal than it bears: a better mount, or another cure.'
          : noneReason(interval),
  };
}

/** Converted main lamps with metal to mount on; rear first, where there is usually more room. */
function mountsFor(fitted: TurnCircuits, circuit: TurnCircuit): Lamp[] {
  return lampIdsOf(circuit)
    .map((id) => fitted.lamp(id))
    .filter((lamp) => lamp.role === 'main' && lamp.resistorMount !== 'none')
    .filter((lamp) => fitted.fitment.contents.get(lamp.id)?.kind === 'led')
    .sort((a, b) => Number(b.end === 'rear') - Number(a.end === 'rear'));
}

/**
 * What could be used: every shelf part, and the E12 values the shelf lacks. Of those to be bought, values
 * that even four alike could not bring into the interval are left out.
 */
function candidates(
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

function choiceOf(
  set: readonly Stock[],
  connection: ResistorNetwork['connection'],
  mounts: readonly Lamp[],
  volts: number,
  sides: number,
  interval: OhmsInterval,
): ResistorChoice | null {
  const values = set.map((each) => each.ohms);
  const ohms = connection === 'series' ? seriesOhms(values) : parallelOhms(values);
  const tolerance = Math.max(...set.map((each) => each.tolerance));
  if (ohms * (1 + tolerance) > interval.maxOhms || ohms * (1 - tolerance) < interval.minOhms) return null;
  const pieces = sized(set, connection, volts, 1 - tolerance);
  if (!pieces) return null;
  const lit = pieceWatts({ connection, pieces }, volts);
  const prices = set.map((each) => each.price);
  return {
    cure: { kind: 'load-resistor', networks: spread(pieces, connection, mounts) },
    connection,
    pieces,
    ohms,
    onShelf: set.every((each) => each.stock >= sides * count(set, each)),
    price: prices.some((price) => price === null)
      ? null
      : prices.reduce<number>((sum, price) => sum + (price ?? 0), 0),
    litWatts: lit.reduce((sum, watts) => sum + watts, 0),
    hottestWatts: Math.max(...lit),
  };
}

/** The same set with what is yet to be bought a size larger: it bears more heat; null where there is none larger. */
function oneSizeLarger(choice: ResistorChoice): ResistorChoice | null {
  const grown = new Map<ResistorPiece, ResistorPiece>();
  for (const piece of choice.pieces) {
    if (piece.partId !== null) continue;
    const watts = STANDARD_WATTS.find((size) => size > piece.watts);
    if (watts === undefined) return null;
    grown.set(piece, { ...piece, watts });
  }
  if (grown.size === 0) return null;
  const larger = (piece: ResistorPiece) => grown.get(piece) ?? piece;
  const networks = choice.cure.networks.map((network) => ({
    ...network,
    pieces: network.pieces.map(larger),
  }));
  return { ...choice, pieces: choice.pieces.map(larger), cure: { ...choice.cure, networks } };
}

/** The pieces with their sizes, or null where a shelf part or the largest size sold would be overrun. */
function sized(
  set: readonly Stock[],
  connection: ResistorNetwork['connection'],
  volts: number,
  lowFactor: number,
): ResistorPiece[] | null {
  const unsized = set.map(({ partId, ohms, tolerance, watts }) => ({
    partId,
    ohms,
    tolerance,
    watts: watts ?? 0,
  }));
  const atLow = pieceWatts({ connection, pieces: unsized }, volts, lowFactor);
  const pieces: ResistorPiece[] = [];
  for (const [index, each] of set.entries()) {
    const needed = atLow[index] ?? 0;
    const watts = each.watts ?? STANDARD_WATTS.find((size) => size >= needed);
    if (watts === undefined || watts < needed) return null;
    pieces.push({ partId: each.partId, ohms: each.ohms, watts, tolerance: each.tolerance });
  }
  return pieces;
}

function count(set: readonly Stock[], wanted: Stock): number {
  return set.filter((each) => each === wanted).length;
}

/** Side by side: one lamp after another in turn. In a row: all at the first lamp. */
function spread(
  pieces: readonly ResistorPiece[],
  connection: ResistorNetwork['connection'],
  mounts: readonly Lamp[],
): ResistorNetwork[] {
  const first = mounts[0];
  if (!first) return [];
  if (connection === 'series') return [{ lampId: first.id, connection, pieces: [...pieces] }];
  const byLamp = new Map<string, ResistorPiece[]>();
  pieces.forEach((piece, index) => {
    const lamp = mounts[index % mounts.length] ?? first;
    byLamp.set(lamp.id, [...(byLamp.get(lamp.id) ?? []), piece]);
  });
  return [...byLamp].map(([lampId, each]) => ({ lampId, connection, pieces: each }));
}

const LIMITS: Record<OhmsInterval['minSetBy'], string> = {
  'fuse-heating': 'the fuse’s heating',
  'fuse-lit': 'the fuse',
  relay: 'the relay’s rating',
  output: 'the controller’s output',
  switch: 'the turn switch',
};

function noneReason(interval: OhmsInterval): string {
  const tooTight = interval.maxOhms < interval.minOhms;
  if (!Number.isFinite(interval.minOhms))
    return `No resistor can be added: what is fitted is over what ${LIMITS[interval.minSetBy]} allows already, ${amps(interval.allowedAmps)} lit.`;
  return tooTight
    ? `No resistor can do both: the band asks for at most ${interval.maxOhms.toFixed(2)} Ω a side, and the supply allows no less than ${interval.minOhms.toFixed(2)} Ω.`
    : `No set of up to ${MOST_PIECES} resistors lies between ${interval.minOhms.toFixed(2)} and ${interval.maxOhms.toFixed(2)} Ω within its printed watts.`;
}

/** How many multisets of one to four there are of so many values. */
function setsThereAre(values: number): number {
  let sets = 0;
  let ofSize = 1;
  for (let size = 1; size <= MOST_PIECES; size += 1) {
    ofSize = (ofSize * (values + size - 1)) / size;
    sets += ofSize;
  }
  return sets;
}

/**
 * Every set of one to four whose printed value can be within the interval, in the order of the list. Ohms in a row
 * and conductances side by side add up, so that with the values in order whole branches are ruled out by their sum.
 * One alone counts as side by side.
 */
function* setsWithin(
  stock: readonly Stock[],
  connection: ResistorNetwork['connection'],
  { minOhms, maxOhms }: OhmsInterval,
): Generator<readonly Stock[]> {
  const measure = ({ ohms }: Stock) => (connection === 'series' ? ohms : 1 / ohms);
  const [low, high] = connection === 'series' ? [minOhms, maxOhms] : [1 / maxOhms, 1 / minOhms];
  // The exact check comes after, with the tolerance: rounding here must not lose a set on the edge.
  const [least, most] = [low * (1 - 1e-9), high * (1 + 1e-9)];
  const sorted = stock
    .map((each, order) => ({ each, order, size: measure(each) }))
    .toSorted((a, b) => a.size - b.size);
  const largest = sorted.at(-1)?.size ?? 0;

  function* extend(from: number, head: typeof sorted, sum: number): Generator<readonly Stock[]> {
    const room = MOST_PIECES - head.length - 1;
    for (let index = from; index < sorted.length; index += 1) {
      const next = sorted[index];
      if (!next || sum + next.size > most) return;
      if (sum + next.size + room * largest < least) continue;
      const set = [...head, next];
      if (sum + next.size >= least && (connection === 'parallel' || set.length > 1))
        yield set.toSorted((a, b) => a.order - b.order).map(({ each }) => each);
      if (room > 0) yield* extend(index, set, sum + next.size);
    }
  }
  yield* extend(0, [], 0);
}
