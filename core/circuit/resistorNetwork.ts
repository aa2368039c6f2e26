import type { ResistorNetwork } from '../model/cures.ts';

/** Ohms of resistors joined as drawn, each off its printed value by `factor` (1.05 is 5 % high). */
export function networkOhms(network: Pick<ResistorNetwork, 'connection' | 'pieces'>, factor = 1): number {
  const values = network.pieces.map((piece) => piece.ohms * factor);
  return network.connection === 'series' ? seriesOhms(values) : parallelOhms(values);
}

/** Resistors one behind the other, ohms. */
export function seriesOhms(values: readonly number[]): number {
  return values.reduce((sum, ohms) => sum + ohms, 0);
}

/** Resistors side by side, ohms. */
export function parallelOhms(values: readonly number[]): number {
  return 1 / values.reduce((sum, ohms) => sum + 1 / ohms, 0);
}

/**
 * Power in each piece with a voltage across the whole network, W, in the order of the pieces.
 *
 * @param volts volts across the network while lit
 * @param factor by how much every piece is off its printed ohms
 */
export function pieceWatts(
  network: Pick<ResistorNetwork, 'connection' | 'pieces'>,
  volts: number,
  factor = 1,
): number[] {
  if (network.connection === 'parallel') {
    return network.pieces.map((piece) => volts ** 2 / (piece.ohms * factor));
  }
  const amps = volts / networkOhms(network, factor);
  return network.pieces.map((piece) => amps ** 2 * piece.ohms * factor);
}

/** The widest tolerance among the pieces of some networks, a share of their ohms; 0 where there are none. */
export function widestTolerance(networks: readonly ResistorNetwork[]): number {
  return Math.max(0, ...networks.flatMap((network) => network.pieces.map((piece) => piece.tolerance)));
}
