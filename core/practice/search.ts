import { placeOf } from '../faults/kinds.ts';
import type { PossibleFault } from '../faults/library.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import { ALONE_AT_THE_SEAT, type NextCheck } from '../proving/checks.ts';
import type { FaultFinder } from '../proving/finder.ts';
import type { CellTold, PlaceTold } from '../proving/told.ts';
import type { HiddenTruth } from './truth.ts';

/** One step of a search: what was checked, what it cost, what it showed. */
export interface SearchStep {
  check: NextCheck;
  minutes: number;
  /** of a cell what was amiss; of a place the fault found there, or null */
  saw: { cell: readonly DeviationKey[] } | { place: PossibleFault | null };
}

export interface SearchRun {
  steps: SearchStep[];
  minutes: number;
  /** whether everything hidden was found */
  found: boolean;
}

/** A search that has not ended by then goes round in circles. */
const MOST_STEPS = 40;

/**
 * How the chooser of next checks would have gone about the same vehicle: always the check that tells most per minute, told what
 * the vehicle truly shows, until the cause is found at its place. What was found is mended, and the search goes on for the rest.
 *
 * @param first cells that were told at the beginning, as by whoever brought the vehicle
 */
export function chooserSearch(
  finder: FaultFinder,
  truth: HiddenTruth,
  hidden: readonly PossibleFault[],
  first: readonly string[],
): SearchRun {
  const { grid } = finder;
  let left = [...hidden];
  const open = new Set<string>();
  const steps: SearchStep[] = [];
  let minutes = 0;
  const tell = (cellId: string): CellTold | null => {
    const cell = grid.cells.find(({ id }) => id === cellId);
    return cell ? { cellId, seen: truth.in(cell, left) } : null;
  };
  let cells = first.flatMap((id) => tell(id) ?? []);
  let places: PlaceTold[] = [];
  while (left.length > 0 && steps.length < MOST_STEPS) {
    const whereabouts = { ...ALONE_AT_THE_SEAT, open: [...open] };
    const { next } = finder.find({ cells, places, clues: [], pins: [] }, whereabouts);
    if (!next) break;
    minutes += next.minutes;
    if (next.kind === 'cell') {
      const told = tell(next.cellId);
      if (!told) break;
      cells.push(told);
      steps.push({ check: next, minutes: next.minutes, saw: { cell: told.seen } });
      continue;
    }
    const found = left.find(({ fault }) => placeOf(fault) === next.placeId) ?? null;
    const opening = grid.faults.find(({ fault }) => placeOf(fault) === next.placeId)?.openingId;
    if (opening) open.add(opening);
    steps.push({ check: next, minutes: next.minutes, saw: { place: found } });
    if (found) {
      // Mended: what was seen before tells of what is no longer so.
      left = left.filter((each) => each !== found);
      places = [];
      cells = first.flatMap((id) => tell(id) ?? []);
    } else places.push({ placeId: next.placeId, found: null });
  }
  return { steps, minutes, found: left.length === 0 };
}
