import type { PossibleFault } from '../faults/library.ts';
import type { NextCheck } from './checks.ts';
import type { CellTold } from './told.ts';

/** Causes that no check made so far tells apart, with what is thought of all of them. */
export interface Suspect {
  /** any one of these */
  faults: readonly PossibleFault[];
  /** and this one with it, where one alone explains too little; else null */
  and: PossibleFault | null;
  /** 0 to 1 */
  probability: number;
  /** what of the evidence it explains, and what not */
  explains: readonly CellTold[];
  leaves: readonly CellTold[];
  /** what else it would show, where nobody has looked yet */
  would: readonly CellTold[];
}

export interface FaultFinding {
  /** likeliest first; what is less likely than a thousandth is left out */
  suspects: readonly Suspect[];
  /** how likely it is that nothing of the list is wrong */
  soundProbability: number;
  /** evidence that nothing on the list explains */
  unexplained: readonly CellTold[];
  /** one and the same cell told in two ways: it comes and goes, or one was told wrongly */
  contradictory: readonly string[];
  next: NextCheck | null;
}
