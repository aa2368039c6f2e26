import { STANDARD_WATTS } from '../../catalogue/eSeries.ts';
import { parallelOhms, pieceWatts, seriesOhms } from '../../circuit/resistorNetwork.ts';
import type { LoadResistorCure, ResistorNetwork, ResistorPiece } from '../../model/cures.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import type { OhmsInterval } from './interval.ts';
import type { Stock } from './stock.ts';

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

/** What a set is chosen for. */
export interface ChoiceAim {
  interval: OhmsInterval;
  /** converted lamps with metal, rear first */
  mounts: readonly Lamp[];
  /** across the set at charging, V */
  volts: number;
  /** how many sides get the same set, for counting stock */
  sides: number;
}

/** Printed value of a set, ohms. */
function ohmsOf(set: readonly Stock[], connection: ResistorNetwork['connection']): number {
  const values = set.map((each) => each.ohms);
  return connection === 'series' ? seriesOhms(values) : parallelOhms(values);
}

/** Whether all of a set is on the shelf for every side. */
function isOnShelf(set: readonly Stock[], sides: number): boolean {
  return set.every((each) => each.stock >= sides * set.filter((other) => other === each).length);
}

/** The set as a cure, or null where it does not keep the interval over its tolerance, or overruns its printed watts. */
export function choiceOf(
  set: readonly Stock[],
  connection: ResistorNetwork['connection'],
  { interval, mounts, volts, sides }: ChoiceAim,
): ResistorChoice | null {
  const ohms = ohmsOf(set, connection);
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
    onShelf: isOnShelf(set, sides),
    price: prices.some((price) => price === null)
      ? null
      : prices.reduce<number>((sum, price) => sum + (price ?? 0), 0),
    litWatts: lit.reduce((sum, watts) => sum + watts, 0),
    hottestWatts: Math.max(...lit),
  };
}

/** The same set with what is yet to be bought a size larger: it bears more heat; null where there is none larger. */
export function oneSizeLarger(choice: ResistorChoice): ResistorChoice | null {
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
