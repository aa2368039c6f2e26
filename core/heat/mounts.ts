import { pieceWatts } from '../circuit/resistorNetwork.ts';
import type { ResistorNetwork } from '../model/cures.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { circuitsFeeding, lampById } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { ELEMENT_LIMIT_CELSIUS, heatMount, type ResistorBody, settledHeat } from './resistorHeat.ts';
import { type HeatVerdict, judgeHeat, type UseCase, usesOf } from './useCases.ts';

/** What resistors are heated at: a hot day, °C. */
export const HOT_DAY = 40;

/** How much hotter than typical the metal at a lamp was measured to be, a factor of the rise. */
export type Hotter = (lampId: string) => number;
const asTypical: Hotter = () => 1;

/** One resistor where it is screwed, with what else is on the same metal. */
export interface MountedPiece {
  network: ResistorNetwork;
  /** its place among the pieces of its network */
  index: number;
  lamp: Lamp;
  /** power while lit, at charging volts and the low end of its tolerance, W */
  litWatts: number;
  ratedWatts: number;
  /** what it is screwed to: by name, or by opening and kind where nobody said */
  mount: string;
  /** how much hotter than typical its metal was measured to be, a factor of the rise */
  hotter: number;
}

/** What a resistor is screwed to: as it says, or the metal of its opening. */
export function mountOf(vehicle: Vehicle, { mount, lampId }: ResistorNetwork): string {
  if (mount) return mount;
  const lamp = lampById(vehicle, lampId);
  return `${lamp.access.group} ${lamp.resistorMount}`;
}

/**
 * Every piece of some resistors on its mount.
 *
 * @param litVolts across them while lit, V
 * @param hotter how much hotter than typical the metal at a lamp was measured to be, see `hotterAt`
 */
export function mountedPieces(
  vehicle: Vehicle,
  networks: readonly ResistorNetwork[],
  litVolts: number,
  hotter: Hotter = asTypical,
): MountedPiece[] {
  return networks.flatMap((network) => {
    const low = 1 - Math.max(...network.pieces.map((piece) => piece.tolerance));
    const lit = pieceWatts(network, litVolts, low);
    return network.pieces.map((piece, index) => ({
      network,
      index,
      lamp: lampById(vehicle, network.lampId),
      litWatts: lit[index] ?? 0,
      ratedWatts: piece.watts,
      mount: mountOf(vehicle, network),
      hotter: hotter(network.lampId),
    }));
  });
}

/** A piece as a body on its mount in one use, warmed by all others that share the metal. */
export function bodyOf(piece: MountedPiece, all: readonly MountedPiece[], { duty }: UseCase): ResistorBody {
  return {
    ratedWatts: piece.ratedWatts,
    mount: heatMount(piece.lamp.resistorMount),
    hotter: piece.hotter,
    beside: all
      .filter((each) => each !== piece && each.mount === piece.mount)
      .map((each) => ({ ratedWatts: each.ratedWatts, watts: each.litWatts * duty })),
  };
}

/** The uses a piece is heated in: those of every feed it lies across. */
export function usesOfPiece(vehicle: Vehicle, { network }: Pick<MountedPiece, 'network'>): UseCase[] {
  return usesOf(vehicle, circuitsFeeding(vehicle, network.lampId, network.input ?? 'main'));
}

/**
 * The hottest of some resistors in the hardest use their feeds see without a fault, on a hot day; null where there is none.
 *
 * @param asked `only`: a use that is asked about alone; `hotter`: as `mountedPieces` has it
 */
export function hottestResistor(
  vehicle: Vehicle,
  networks: readonly ResistorNetwork[],
  litVolts: number,
  { only, hotter }: { only?: UseCase['id']; hotter?: Hotter } = {},
): HeatVerdict | null {
  const all = mountedPieces(vehicle, networks, litVolts, hotter);
  // The sides are mostly alike, and so are the pieces: each case is followed once.
  const followed = new Map<string, HeatVerdict>();
  for (const piece of all) {
    for (const use of usesOfPiece(vehicle, piece)) {
      if (use.fault || (only && use.id !== only)) continue;
      const body = bodyOf(piece, all, use);
      const key = JSON.stringify([body, piece.litWatts, use.id]);
      if (!followed.has(key)) followed.set(key, judgeHeat(body, piece.litWatts, use, HOT_DAY));
    }
  }
  return [...followed.values()].toSorted((a, b) => b.peakCaseCelsius - a.peakCaseCelsius)[0] ?? null;
}

/**
 * The first use that condemns one of some resistors; null where none does. What never could is not followed.
 *
 * @param among everything that may share their metal
 * @param followed cases worked out before, for whoever asks about many sets
 */
export function condemnedIn(
  vehicle: Vehicle,
  networks: readonly ResistorNetwork[],
  litVolts: number,
  among: readonly ResistorNetwork[] = networks,
  followed = new Map<string, HeatVerdict>(),
  hotter?: Hotter,
): HeatVerdict | null {
  const all = mountedPieces(vehicle, among, litVolts, hotter);
  for (const piece of all.filter((each) => networks.includes(each.network))) {
    for (const use of usesOfPiece(vehicle, piece)) {
      if (use.fault) continue;
      const body = bodyOf(piece, all, use);
      const { elementCelsius } = settledHeat(body, piece.litWatts * use.duty, HOT_DAY);
      if (elementCelsius <= ELEMENT_LIMIT_CELSIUS) continue;
      const key = JSON.stringify([body, piece.litWatts, use.id]);
      const heat = followed.get(key) ?? judgeHeat(body, piece.litWatts, use, HOT_DAY);
      followed.set(key, heat);
      if (heat.state === 'condemned') return heat;
    }
  }
  return null;
}
