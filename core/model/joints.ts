import type { ResistorNetwork } from './cures.ts';

/** Joints that some resistors need in the loom, a count: each piece its own, and one more a place; a harness none. */
export function jointsOf(networks: readonly ResistorNetwork[]): number {
  return networks.reduce((sum, network) => (network.plugged ? sum : sum + network.pieces.length + 1), 0);
}
