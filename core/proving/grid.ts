import { faultsInScope, type PossibleFault } from '../faults/library.ts';
import { JobAnalysis } from '../judge/analysis.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { jobLamps } from '../model/scope.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import { isOn } from '../simulation/bearing.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { type Cell, cellsOf } from './cells.ts';
import { CellPlayer, deviations, type Outcome } from './outcome.ts';
import { smallestCover } from './smallestSet.ts';

/** A job's proving grid: what each cell should show, what each fault would show there, and what suffices. */
export interface ProvingGrid {
  cells: readonly Cell[];
  expected: readonly Outcome[];
  faults: readonly PossibleFault[];
  /** by fault, then by cell: what is not as it should be there, in words that sort; empty where nothing is */
  seen: readonly (readonly (readonly string[])[])[];
  /** places of the fewest cells that show every fault any cell shows, and light every lamp at each of its levels */
  smallest: readonly number[];
  /** faults that no cell can show: they are found by other means, or not at all */
  unshown: readonly PossibleFault[];
}

/**
 * Works a job's grid out, fault by fault.
 *
 * @param told how many faults are done of how many; false ends it
 * @returns null where it was ended
 * @throws UnknownReferenceError when the job names a bulb or LED that is not known
 * @throws NoSolutionError when a state cannot be solved
 */
export function provingGrid(
  job: Job,
  shelf: Shelf,
  configuration: Configuration = 'cured',
  told: (done: number, of: number) => boolean = () => true,
): ProvingGrid | null {
  const cells = cellsOf(job);
  const faults = faultsInScope(job, fitmentOf(job, shelf, configuration));
  const player = new CellPlayer(new JobAnalysis(job, shelf), configuration);
  const expected = cells.map((cell) => player.asFitted(cell));
  const seen: (readonly string[])[][] = [];
  for (const { fault } of faults) {
    const faulty = player.withFault(fault);
    seen.push(cells.map((cell, at) => deviations(expected[at] as Outcome, faulty.in(cell))));
    if (!told(seen.length, faults.length)) return null;
  }
  const levels = levelsOf(job);
  const covers = cells.map(
    (cell, at) =>
      new Set([
        ...seen.flatMap((row, fault) => ((row[at]?.length ?? 0) > 0 ? [fault] : [])),
        // Every road lamp is seen lit at each of its levels, whatever else would tell of it.
        ...levels.flatMap(({ circuitIds }, level) =>
          job.vehicle.circuits.some(
            (circuit) => circuitIds.includes(circuit.id) && isOn(circuit, cell.controls),
          )
            ? [faults.length + level]
            : [],
        ),
      ]),
  );
  return {
    cells,
    expected,
    faults,
    seen,
    smallest: smallestCover(covers),
    unshown: faults.filter((_, fault) => seen[fault]?.every((each) => each.length === 0)),
  };
}

/** Each lamp a job converts or may disturb, at each level its feeds give it. */
function levelsOf(job: Job): { lampId: string; circuitIds: readonly string[] }[] {
  return jobLamps(job).flatMap(({ id }) =>
    (['main', 'dim'] as const).flatMap((input) => {
      const circuitIds = circuitsFeeding(job.vehicle, id, input).map((circuit) => circuit.id);
      return circuitIds.length > 0 ? [{ lampId: id, circuitIds }] : [];
    }),
  );
}
