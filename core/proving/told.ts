import type { Clue } from '../model/clues.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import type { PinTold } from './pinsTold.ts';

/** What was seen in one cell: every deviation that was told, none where all was as it should be. */
export interface CellTold {
  cellId: string;
  seen: readonly DeviationKey[];
}

/** One place looked at, and the fault found there; null: nothing wrong there. */
export interface PlaceTold {
  placeId: string;
  found: string | null;
}

export interface ClueTold {
  clue: Clue;
  lampId: string | null;
}

/** Everything that was told of one vehicle. */
export interface Told {
  cells: readonly CellTold[];
  places: readonly PlaceTold[];
  clues: readonly ClueTold[];
  pins: readonly PinTold[];
}
export const NOTHING_TOLD: Told = { cells: [], places: [], clues: [], pins: [] };

/** Cells that were told both with and without something wrong. */
export function contradictory(cells: readonly CellTold[]): string[] {
  const ids = new Set(cells.map(({ cellId }) => cellId));
  return [...ids].filter((id) => {
    const told = cells.filter(({ cellId }) => cellId === id);
    return new Set(told.map(({ seen }) => seen.toSorted().join('+'))).size > 1;
  });
}
