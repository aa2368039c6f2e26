import type { Worked } from '../faults/faultKind.ts';
import { isFelt, kindOf } from '../faults/kinds.ts';
import { faultsInScope, type PossibleFault } from '../faults/library.ts';
import { sizesOf } from '../faults/sizes.ts';
import { JobAnalysis } from '../judge/analysis.ts';
import { asTried } from '../judge/evidenceRead.ts';
import type { Configuration } from '../model/cures.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { jobLamps } from '../model/scope.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { isOn } from '../simulation/bearing.ts';
import type { Fitment } from '../simulation/fitment.ts';
import { isSeenAt, levelsOf } from '../simulation/levels.ts';
import { supposedFitments } from '../simulation/supposedFitments.ts';
import { supplyVoltsFor } from '../traces/supply.ts';
import { type Cell, cellsOf } from './cells.ts';
import { ALONE_AT_THE_SEAT, cellMinutes } from './checks.ts';
import {
  atAnySize,
  bothShown,
  deviations,
  isNothing,
  isSame,
  NOTHING_SHOWN,
  type Shown,
} from './deviations.ts';
import type { Outcome } from './outcome.ts';
import { CellPlayer, type Played } from './player.ts';
import { smallestCover } from './smallestSet.ts';
import { wantingMore } from './wantsMore.ts';

/** A job's proving grid: what each cell should show, what each fault would show there, and what suffices. */
export interface ProvingGrid {
  cells: readonly Cell[];
  expected: readonly Outcome[];
  /** by cell: what may be seen with nothing wrong, where unknowns leave more than one thing */
  sound: readonly Shown[];
  /** what may be wrong, and last what is nothing broken: whose watcher may want more load as it is fitted */
  faults: readonly PossibleFault[];
  /** by fault, then by cell: what is not as it should be there */
  seen: readonly (readonly Shown[])[];
  /** places of the fewest cells that surely show every fault at every size any cell surely shows, and every lamp at each level and dark */
  smallest: readonly number[];
  /** faults that no cell is sure to show, though it may at some size or threshold */
  doubtful: readonly PossibleFault[];
  /** faults that no cell can show: they are found by other means, or not at all */
  unshown: readonly PossibleFault[];
}

/** One fault by cell: what it shows at any size, and at each of its sizes where somebody is sure to see it. */
export interface FaultRow {
  shown: readonly Shown[];
  /** by size, from the smallest, then by cell */
  surely: readonly (readonly boolean[])[];
}

/** Faults worked out so far of how many; false ends it. */
export type GridTold = (done: number, of: number) => boolean;

/**
 * Works a job's grid out, fault by fault, each as small and as large as it may be.
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
  told: GridTold = () => true,
): ProvingGrid | null {
  const work = new GridWork(job, shelf, configuration);
  const rows: FaultRow[] = [];
  for (const at of work.faults.keys()) {
    rows.push(work.row(at));
    if (!told(rows.length, work.faults.length)) return null;
  }
  return work.grid(rows);
}

/** Rows of some of a job's faults, worked out a step a fault, for whoever must listen in between. */
export class GridWork {
  readonly cells: readonly Cell[];
  readonly faults: readonly PossibleFault[];
  private readonly expected: readonly Outcome[];
  private readonly sound: readonly Shown[];
  private readonly player: CellPlayer;

  /**
   * @throws UnknownReferenceError when the job names a bulb or LED that is not known
   * @throws NoSolutionError when a state cannot be solved
   */
  constructor(
    private readonly job: Job,
    shelf: Shelf,
    configuration: Configuration,
  ) {
    const analysis = JobAnalysis.of(asTried(job), shelf);
    this.player = new CellPlayer(analysis, configuration);
    const { fitment } = this.player;
    this.cells = cellsOf(job, fitment);
    this.faults = faultsInScope(job, fitment);
    this.expected = this.cells.map((cell) => this.player.asFitted(cell));
    this.sound = soundRows(this.cells, this.expected, analysis, configuration, this.player);
  }

  /** What one of the faults shows in each cell, as small and as large as it may be. */
  row(at: number): FaultRow {
    const { player, job, cells, expected, sound } = this;
    const fault = this.faults[at]?.fault;
    if (!fault) return NO_ROW;
    const kind = kindOf(fault);
    const sizes = isFelt(fault)
      ? sizesOf(fault, player.fitment).map((each) => player.withFaults([each]))
      : [];
    // What no circuit feels has no size: what it shows beside is all of it.
    const surely = (sizes.length > 0 ? sizes : [null]).map(() => cells.map(() => false));
    const shown = cells.map((cell, index) => {
      const bySize = shownBySize(sizes, cell, expected[index] as Outcome);
      const beside = kind.shows?.(fault, worked(job, player.fitment, cell)) ?? NOTHING_SHOWN;
      const usual = sound[index] ?? NOTHING_SHOWN;
      surely.forEach((row, size) => {
        const sure = [...(bySize[size]?.sure ?? []), ...beside.sure];
        row[index] = tells(sure, usual);
      });
      return withSound(bothShown(atAnySize(bySize), beside), usual);
    });
    return { shown, surely };
  }

  /**
   * The whole grid.
   *
   * @param rows those of all faults, in their order
   */
  grid(rows: readonly FaultRow[]): ProvingGrid {
    const { job, cells, expected, sound } = this;
    // What no circuit feels and shows in no cell of this job is none of its business.
    const kept = this.faults.flatMap((each, at) => {
      const { shown: row, surely } = rows[at] ?? NO_ROW;
      const shows = row.some((shown, cell) => !isSame(shown, sound[cell] ?? NOTHING_SHOWN));
      return isFelt(each.fault) || shows ? [{ each, row, surely }] : [];
    });
    const rest = kept.map(({ each }) => each);
    // What may be seen with nothing wrong tells of nothing.
    const may = new Set(
      kept.flatMap(({ row }, fault) =>
        row.some((each, at) => tells([...each.sure, ...each.maybe], sound[at] ?? NOTHING_SHOWN))
          ? [fault]
          : [],
      ),
    );
    // A size that no cell surely shows nobody can be held to; one that any shows must be shown.
    const sizes = kept.flatMap(({ surely }) => surely.filter((row) => row.includes(true)));
    const sure = new Set(
      kept.flatMap(({ surely }, fault) => (surely.some((row) => row.includes(true)) ? [fault] : [])),
    );
    const smallest = sufficient(job, cells, sizes, expected);
    const wanting = wantingMore(job, this.player, cells, expected);
    const faults = [...rest, ...wanting.map(({ cause }) => cause)];
    const seen = [...kept, ...wanting].map(({ row }) => row);
    return {
      cells,
      expected,
      sound,
      faults,
      seen,
      smallest,
      doubtful: rest.filter((_, fault) => !sure.has(fault) && may.has(fault)),
      unshown: rest.filter((_, fault) => !may.has(fault)),
    };
  }
}

/** What each size shows, from the smallest. What shows at no size shows at none that is smaller: the largest is asked first. */
function shownBySize(sizes: readonly Played[], cell: Cell, should: Outcome): Shown[] {
  const shown: Shown[] = [];
  for (const each of sizes.toReversed()) {
    const found = deviations(should, each.in(cell));
    shown.unshift(found);
    if (isNothing(found)) break;
  }
  return [...sizes.slice(shown.length).map(() => NOTHING_SHOWN), ...shown];
}

/** Whether anything of it is not to be seen with nothing wrong. */
function tells(keys: readonly DeviationKey[], sound: Shown): boolean {
  return keys.some((each) => !sound.sure.includes(each) && !sound.maybe.includes(each));
}

const NO_ROW: FaultRow = { shown: [], surely: [] };

/** What may be seen with nothing wrong: thresholds within their bands, LEDs whose inside nobody knows. */
function soundRows(
  cells: readonly Cell[],
  expected: readonly Outcome[],
  analysis: JobAnalysis,
  configuration: Configuration,
  { fitment }: CellPlayer,
): Shown[] {
  const others = supposedFitments(fitment)
    .slice(1)
    .map((each) => new CellPlayer(analysis, configuration, each.fitment));
  return cells.map((cell, at) => {
    const should = expected[at] as Outcome;
    const ways = [should, ...others.map((each) => each.asFitted(cell))].map((each) =>
      deviations(should, each),
    );
    return atAnySize(ways);
  });
}

/** A cell as whoever shows something beside its circuit asks of it. */
export function worked({ vehicle }: Job, fitment: Fitment, { id, condition, controls }: Cell): Worked {
  return {
    vehicle,
    fitment,
    controls,
    emfVolts: supplyVoltsFor(vehicle, controls.key),
    resting: id === 'off' || condition === 'asleep',
  };
}

/** With a fault, what was open before is open still, unless it shows. */
function withSound(shown: Shown, sound: Shown): Shown {
  const more = sound.maybe.filter((each) => !shown.sure.includes(each) && !shown.maybe.includes(each));
  return more.length === 0 ? shown : { sure: shown.sure, maybe: [...shown.maybe, ...more].toSorted() };
}

/**
 * The fewest cells that surely show whatever any cell surely shows, each fault at each of its sizes, and each lamp lit at
 * each of its levels and dark, whatever else would tell of it.
 *
 * @param sizes by fault and size: the cells that surely show it
 */
function sufficient(
  job: Job,
  cells: readonly Cell[],
  sizes: readonly (readonly boolean[])[],
  expected: readonly Outcome[],
): number[] {
  const toSee = thingsToSee(job);
  const covers = cells.map(
    (cell, at) =>
      new Set([
        ...sizes.flatMap((row, size) => (row[at] ? [size] : [])),
        ...toSee.flatMap((isSeen, thing) => (isSeen(cell) ? [sizes.length + thing] : [])),
      ]),
  );
  const minutes = cells.map((cell, at) => cellMinutes(job, cell, expected[at] as Outcome, ALONE_AT_THE_SEAT));
  return smallestCover(covers, minutes);
}

/** Each lamp a job converts or may disturb, at each level its feeds give it, and dark. */
function thingsToSee(job: Job): ((cell: Cell) => boolean)[] {
  const { vehicle } = job;
  return jobLamps(job).flatMap(({ id }) => {
    const feeding = circuitsOf(vehicle, id);
    const onIn = ({ controls }: Cell) =>
      new Set(feeding.filter((circuit) => isOn(circuit, controls)).map((circuit) => circuit.id));
    const given = feeding.flatMap((circuit) =>
      levelsOf(vehicle, circuit)
        .filter(({ lampId }) => lampId === id)
        .map((level) => ({ circuit, level, name: `${level.input} ${level.braking}` })),
    );
    // A level that two circuits give is seen by either.
    const lit = [...new Set(given.map(({ name }) => name))].map(
      (name) => (cell: Cell) =>
        given.some(
          (each) =>
            each.name === name &&
            isSeenAt(vehicle, each.circuit, each.level, onIn(cell), cell.controls.brake),
        ),
    );
    return [...lit, (cell: Cell) => onIn(cell).size === 0];
  });
}
