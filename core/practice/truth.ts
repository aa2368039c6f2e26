import { kindOf } from '../faults/kinds.ts';
import type { PossibleFault } from '../faults/library.ts';
import { JobAnalysis } from '../judge/analysis.ts';
import type { Configuration } from '../model/cures.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import type { Cell } from '../proving/cells.ts';
import { deviations } from '../proving/deviations.ts';
import { type ProvingGrid, worked } from '../proving/grid.ts';
import { CellPlayer } from '../proving/player.ts';

/** What a vehicle with hidden faults shows: asked by whoever plays the round and by the search it is held against. */
export class HiddenTruth {
  private readonly player: CellPlayer;
  private readonly shown = new Map<string, DeviationKey[]>();

  constructor(
    private readonly job: Job,
    shelf: Shelf,
    private readonly grid: ProvingGrid,
    configuration: Configuration,
  ) {
    // A simulated vehicle has one true threshold: the middle of where it may lie.
    this.player = new CellPlayer(JobAnalysis.of({ ...job, evidence: [] }, shelf), configuration).decidedAt(
      0.5,
    );
  }

  /** What is not as it should be in a cell, as an eye is sure to see it. */
  in(cell: Cell, faults: readonly PossibleFault[]): DeviationKey[] {
    const key = `${cell.id}|${faults.map(({ id }) => id).join('|')}`;
    let shown = this.shown.get(key);
    if (!shown) {
      const at = this.grid.cells.indexOf(cell);
      const expected = this.grid.expected[at];
      const outcome = this.player.withFaults(faults.map(({ fault }) => fault)).in(cell);
      const felt = expected ? deviations(expected, outcome).sure : [];
      // What no circuit feels shows beside it.
      const beside = faults.flatMap(
        ({ fault }) => kindOf(fault).shows?.(fault, worked(this.job, this.player.fitment, cell)).sure ?? [],
      );
      shown = [...new Set([...felt, ...beside])];
      this.shown.set(key, shown);
    }
    return shown;
  }
}
