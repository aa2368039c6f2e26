import type { Worked } from '../faults/faultKind.ts';
import { isFelt, kindOf } from '../faults/kinds.ts';
import { faultsInScope, type PossibleFault } from '../faults/library.ts';
import { sizesOf } from '../faults/sizes.ts';
import { JobAnalysis } from '../judge/analysis.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { jobLamps } from '../model/scope.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { isOn } from '../simulation/bearing.ts';
import type { Fitment } from '../simulation/fitment.ts';
import { isSeenAt, levelsOf } from '../simulation/levels.ts';
import { supposedFitments } from '../simulation/supposedFitments.ts';
import { supplyVoltsFor } from '../traces/traceLamps.ts';
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

/** A job's proving grid: what each cell should show, what each fault would show there, and what suffices. */
export interface ProvingGrid {
  cells: readonly Cell[];
  expected: readonly Outcome[];
  /** by cell: what may be seen with nothing wrong, where unknowns leave more than one thing */
  sound: readonly Shown[];
  faults: readonly PossibleFault[];
  /** by fault, then by cell: what is not as it should be there */
  seen: readonly (readonly Shown[])[];
  /** places of the fewest cells that show every fault any cell shows, and every lamp at each of its levels and dark */
  smallest: readonly number[];
  /** faults that no cell is sure to show, though it may at some size or threshold */
  doubtful: readonly PossibleFault[];
  /** faults that no cell can show: they are found by other means, or not at all */
  unshown: readonly PossibleFault[];
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
  const rows: (readonly Shown[])[] = [];
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
    const analysis = new JobAnalysis(job, shelf);
    this.player = new CellPlayer(analysis, configuration);
    const { fitment } = this.player;
    this.cells = cellsOf(job, fitment);
    this.faults = faultsInScope(job, fitment);
    this.expected = this.cells.map((cell) => this.player.asFitted(cell));
    this.sound = soundRows(this.cells, this.expected, analysis, configuration, this.player);
  }

  /** What one of the faults shows in each cell, as small and as large as it may be. */
  row(at: number): readonly Shown[] {
    const { player, job, cells, expected, sound } = this;
    const fault = this.faults[at]?.fault;
    if (!fault) return [];
    const kind = kindOf(fault);
    const sizes = isFelt(fault)
      ? sizesOf(fault, player.fitment).map((each) => player.withFaults([each]))
      : [];
    return cells.map((cell, index) => {
      const circuit = shownAtSizes(sizes, cell, expected[index] as Outcome);
      const beside = kind.shows?.(fault, worked(job, player.fitment, cell)) ?? NOTHING_SHOWN;
      return withSound(bothShown(circuit, beside), sound[index] ?? NOTHING_SHOWN);
    });
  }

  /**
   * The whole grid.
   *
   * @param rows those of all faults, in their order
   */
  grid(rows: readonly (readonly Shown[])[]): ProvingGrid {
    const { job, cells, expected, sound } = this;
    // What no circuit feels and shows in no cell of this job is none of its business.
    const kept = this.faults.flatMap((each, at) => {
      const row = rows[at] ?? [];
      const shows = row.some((shown, cell) => !isSame(shown, sound[cell] ?? NOTHING_SHOWN));
      return isFelt(each.fault) || shows ? [{ each, row }] : [];
    });
    const faults = kept.map(({ each }) => each);
    const seen = kept.map(({ row }) => row);
    const { smallest, sure, may } = sufficient(job, cells, seen, sound, expected);
    return {
      cells,
      expected,
      sound,
      faults,
      seen,
      smallest,
      doubtful: faults.filter((_, fault) => !sure.has(fault) && may.has(fault)),
      unshown: faults.filter((_, fault) => !may.has(fault)),
    };
  }
}

/** What shows at no size shows at none that is smaller: the largest is asked first. */
function shownAtSizes(sizes: readonly Played[], cell: Cell, should: Outcome): Shown {
  const shown: Shown[] = [];
  for (const each of sizes.toReversed()) {
    const found = deviations(should, each.in(cell));
    if (isNothing(found)) return shown.length === 0 ? found : atAnySize([...shown, found]);
    shown.push(found);
  }
  return atAnySize(shown);
}

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
 * The fewest cells that show what can be shown. A fault that some cell is sure to show is held to those cells; one that
 * cells only may show, to these.
 */
function sufficient(
  job: Job,
  cells: readonly Cell[],
  seen: readonly (readonly Shown[])[],
  sound: readonly Shown[],
  expected: readonly Outcome[],
) {
  const sure = new Set<number>();
  const may = new Set<number>();
  // What may be seen with nothing wrong tells of nothing.
  const tells = (shown: readonly string[], at: number) =>
    shown.some((each) => !sound[at]?.sure.includes(each) && !sound[at]?.maybe.includes(each));
  seen.forEach((row, fault) => {
    if (row.some((each, at) => tells(each.sure, at))) sure.add(fault);
    if (row.some((each, at) => tells([...each.sure, ...each.maybe], at))) may.add(fault);
  });
  const shows = (fault: number, at: number) => {
    const each = seen[fault]?.[at] ?? NOTHING_SHOWN;
    return tells(each.sure, at) || (!sure.has(fault) && tells(each.maybe, at));
  };
  const toSee = thingsToSee(job);
  const covers = cells.map(
    (cell, at) =>
      new Set([
        ...seen.flatMap((_, fault) => (shows(fault, at) ? [fault] : [])),
        // Every lamp is seen lit at each of its levels, and dark, whatever else would tell of it.
        ...toSee.flatMap((isSeen, thing) => (isSeen(cell) ? [seen.length + thing] : [])),
      ]),
  );
  const minutes = cells.map((cell, at) => cellMinutes(job, cell, expected[at] as Outcome, ALONE_AT_THE_SEAT));
  return { smallest: smallestCover(covers, minutes), sure, may };
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
