import { bestTest } from '../evidence/nextTest.ts';
import { clueFactor } from '../faults/clues.ts';
import { placeOf } from '../faults/kinds.ts';
import { type Place, placesOf } from '../faults/places.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import {
  ALONE_AT_THE_SEAT,
  type Choice,
  cellMinutes,
  cellOutcomes,
  type NextCheck,
  placeMinutes,
  type Whereabouts,
  withSlips,
} from './checks.ts';
import { NOTHING_SHOWN, type Shown } from './deviations.ts';
import type { FaultFinding, Suspect } from './finding.ts';
import type { ProvingGrid } from './grid.ts';
import { cellLikelihood, fits, fitsWholly, placeLikelihood } from './likelihood.ts';
import type { Outcome } from './outcome.ts';
import { Pairs } from './pairs.ts';
import { PinLikelihoods } from './pinsTold.ts';
import { plannedCheck } from './plannedCheck.ts';
import { isAsFitted, type Supposed, suppositionsOf } from './suppositions.ts';
import { type CellTold, contradictory, type Told } from './told.ts';

/** So many of those that explain something are paired. */
const PAIRED = 24;
const WORTH = 0.01;
const NOT_SHOWN = 1e-3;
/** Places that are weighed as next checks: those of the likeliest faults. */
const LOOKED_AT = 24;
/** From here on a cause that was found at its place is settled. */
const SETTLED = 0.8;
/** From here on the likeliest cause is looked for at its place, though nothing would be learnt of the others. */
const CONFIRMED = 0.5;

type Weighed = { is: Supposed; weight: number };

/** Finds faults on one grid, told what was seen as often as wanted. */
export class FaultFinder {
  private readonly cellAt: ReadonlyMap<string, number>;
  private readonly places: readonly Place[];
  private readonly placeIds: readonly string[];
  private readonly alike: readonly string[];
  private readonly singles: readonly Supposed[];
  private readonly sound: Supposed;
  private readonly pins: PinLikelihoods;
  private readonly paired: Pairs;

  constructor(
    private readonly job: Job,
    readonly grid: ProvingGrid,
    shelf: Shelf,
  ) {
    this.pins = new PinLikelihoods(job, shelf, grid.faults);
    this.paired = new Pairs(grid.faults);
    this.cellAt = new Map(grid.cells.map(({ id }, at) => [id, at]));
    this.places = placesOf(grid.faults);
    this.placeIds = grid.faults.map(({ fault }) => placeOf(fault));
    this.alike = grid.faults.map((_, at) =>
      (grid.seen[at] ?? []).map(({ sure, maybe }) => `${sure.join('+')}?${maybe.join('+')}`).join('|'),
    );
    const { singles, sound } = suppositionsOf(grid);
    this.singles = singles;
    this.sound = sound;
  }

  /** How many causes no cell tells apart, at most. */
  get largestGroup(): number {
    const counts = new Map<string, number>();
    for (const each of this.alike) counts.set(each, (counts.get(each) ?? 0) + 1);
    return Math.max(0, ...counts.values());
  }

  /**
   * Ranks what may be wrong by what was told, each fault's symptoms simulated on this vehicle, and names the check that
   * tells most per minute. Likelihoods allow for one telling in ten being wrong. Two faults at once are weighed where one
   * leaves something unexplained.
   */
  find(told: Told, whereabouts: Whereabouts = ALONE_AT_THE_SEAT): FaultFinding {
    const cells = told.cells.filter(({ cellId }) => this.cellAt.has(cellId));
    const known: Told = { ...told, cells };
    const one = this.weighed([this.sound, ...this.singles], known);
    const best = one.toSorted((a, b) => b.weight - a.weight)[0];
    const leaves = best && cells.some((each) => !fitsWholly(this.shown(best.is, each.cellId), each));
    const possible = leaves ? [...one, ...this.weighed(this.pairs(one, cells), known)] : one;
    const all = possible.reduce((sum, { weight }) => sum + weight, 0) || 1;
    // A watcher that wants more load where nobody told of it is nothing of all that was told.
    const nothing = (is: Supposed) =>
      is.at.length === 0 ||
      (this.isWanting(is) && !cells.some((each) => each.seen.length > 0 && this.fits(is, each)));
    const suspects = this.suspects(
      possible.filter(({ is }) => !nothing(is)),
      all,
      cells,
    );
    return {
      suspects,
      soundProbability: possible.reduce((sum, { is, weight }) => sum + (nothing(is) ? weight : 0), 0) / all,
      unexplained: cells.filter(
        (each) => each.seen.length > 0 && !this.singles.some((is) => this.fits(is, each)),
      ),
      contradictory: contradictory(cells),
      next: settled(suspects, told)
        ? null
        : (this.next(possible, known, whereabouts) ?? this.confirm(suspects, known, whereabouts)),
    };
  }

  private shown({ row }: Supposed, cellId: string): Shown {
    return row[this.cellAt.get(cellId) ?? -1] ?? NOTHING_SHOWN;
  }

  private fits = (is: Supposed, each: CellTold): boolean => fits(this.shown(is, each.cellId), each);

  private weighed(ways: readonly Supposed[], { cells, places, clues, pins }: Told) {
    const measured = pins.map((each) => this.pins.of(each));
    return ways.map((is) => {
      const faults = is.at.flatMap((at) => this.grid.faults[at] ?? []);
      const ids = faults.map(({ id }) => id);
      const own = is.at.map((at) => this.placeIds[at] ?? '');
      let weight = is.prior;
      for (const each of cells) weight *= cellLikelihood(this.shown(is, each.cellId), each);
      for (const each of places) weight *= placeLikelihood(ids, own, each);
      // Of two faults the one it goes with better is what the meter saw.
      for (const factors of measured)
        weight *= Math.max(
          ...(is.at.length > 0 ? is.at : [factors.length - 1]).map((at) => factors[at] ?? 1),
        );
      for (const clue of clues)
        weight *=
          faults.length === 0
            ? 0.5
            : Math.max(
                ...faults.map((each) => clueFactor(clue.clue, each.fault, this.job.vehicle, clue.lampId)),
              );
      return { is, weight };
    });
  }

  /** Two faults at once, of those that explain some of what was told: what either shows, both show. */
  private pairs(one: readonly Weighed[], cells: readonly CellTold[]): Supposed[] {
    const explains = one
      .filter(
        ({ is }) =>
          is.at.length > 0 &&
          !this.isWanting(is) &&
          cells.some((each) => each.seen.length > 0 && this.fits(is, each)),
      )
      .toSorted((a, b) => b.weight - a.weight);
    // Of those that look alike one stands for all.
    const distinct = new Map(explains.toReversed().map((each) => [this.alike[each.is.at[0] ?? 0], each.is]));
    const some = [...distinct.values()].reverse().slice(0, PAIRED);
    return some.flatMap((a, index) => some.slice(index + 1).map((b) => this.paired.of(a, b)));
  }

  private isWanting({ at: [at = -1] }: Supposed): boolean {
    const fault = this.grid.faults[at];
    return fault !== undefined && isAsFitted(fault);
  }

  private suspects(possible: readonly Weighed[], all: number, cells: readonly CellTold[]): Suspect[] {
    const groups = new Map<string, Weighed[]>();
    for (const each of possible) {
      const [first, second] = each.is.at;
      if (first === undefined) continue;
      // Alike in every cell, and no place of theirs told them apart yet.
      const key =
        second === undefined
          ? `${this.alike[first]} ${(each.weight / each.is.prior).toPrecision(9)}`
          : `${first} ${second}`;
      groups.set(key, [...(groups.get(key) ?? []), each]);
    }
    return [...groups.values()]
      .map((those): Suspect => {
        const likely = those.toSorted((a, b) => b.weight - a.weight);
        const is = likely[0]?.is as Supposed;
        const [, second] = is.at;
        return {
          faults: likely.flatMap((each) => this.grid.faults[each.is.at[0] ?? -1] ?? []),
          and: second === undefined ? null : (this.grid.faults[second] ?? null),
          probability: likely.reduce((sum, { weight }) => sum + weight, 0) / all,
          explains: cells.filter((each) => each.seen.length > 0 && this.fits(is, each)),
          leaves: cells.filter((each) => !this.fits(is, each)),
          would: this.wouldShow(is, cells),
        };
      })
      .filter(({ probability }) => probability >= NOT_SHOWN)
      .toSorted((a, b) => b.probability - a.probability);
  }

  private wouldShow({ row }: Supposed, cells: readonly CellTold[]): CellTold[] {
    return this.grid.cells.flatMap(({ id }, at) => {
      const sure = row[at]?.sure ?? [];
      return sure.length > 0 && !cells.some(({ cellId }) => cellId === id)
        ? [{ cellId: id, seen: sure }]
        : [];
    });
  }

  private next(possible: readonly Weighed[], told: Told, whereabouts: Whereabouts): NextCheck | null {
    const ways = possible
      .filter(({ weight }) => weight > 0)
      .map(({ is, weight }, at) => ({
        is: at,
        weight,
        follows: is.at.join('+'),
        row: is.row,
        faults: is.at,
      }));
    const before = new Map<string, number>();
    for (const { cellId } of told.cells) before.set(cellId, (before.get(cellId) ?? 0) + 1);
    for (const { placeId } of told.places) before.set(placeId, (before.get(placeId) ?? 0) + 1);
    // What was seen twice is hardly seen otherwise a third time.
    const again = (id: string) => 1 + 8 * (before.get(id) ?? 0);
    const cells = this.grid.cells.map((cell, at): Choice => {
      const minutes = cellMinutes(this.job, cell, this.grid.expected[at] as Outcome, whereabouts);
      const outcomes = cellOutcomes(ways.map(({ row }) => row[at] ?? NOTHING_SHOWN));
      return {
        minutes: minutes * again(cell.id),
        check: { kind: 'cell', cellId: cell.id, minutes },
        shows: (way) => outcomes[way] as ReadonlyMap<string, number>,
      };
    });
    const choices = [...cells, ...this.looks(ways, again, whereabouts)];
    return (plannedCheck(choices, ways) ?? bestTest(choices, ways, WORTH)?.test.check) || null;
  }

  /** The look at its own place that makes the likeliest cause certain, where nobody has looked there yet. */
  private confirm([first]: readonly Suspect[], told: Told, whereabouts: Whereabouts): NextCheck | null {
    const fault = first && first.probability >= CONFIRMED ? first.faults[0] : undefined;
    const place = fault && this.places.find(({ id }) => id === placeOf(fault.fault));
    if (!place || told.places.some(({ placeId }) => placeId === place.id)) return null;
    return this.lookAt(place, whereabouts);
  }

  private lookAt(place: Place, whereabouts: Whereabouts): NextCheck {
    return {
      kind: 'place',
      placeId: place.id,
      faultIds: place.faults.map(({ id }) => id),
      minutes: placeMinutes(this.job, place, whereabouts),
    };
  }

  /** A look at its place tells one fault from all others, those that no cell tells it from among them. */
  private looks(
    ways: readonly { weight: number; faults: readonly number[] }[],
    again: (id: string) => number,
    whereabouts: Whereabouts,
  ): Choice[] {
    const weights = new Map<string, number>();
    for (const { weight, faults } of ways)
      for (const at of faults) {
        const id = this.placeIds[at] ?? '';
        weights.set(id, (weights.get(id) ?? 0) + weight);
      }
    return this.places
      .toSorted((a, b) => (weights.get(b.id) ?? 0) - (weights.get(a.id) ?? 0))
      .slice(0, LOOKED_AT)
      .map((place): Choice => {
        const check = this.lookAt(place, whereabouts);
        const known = new Map<string, ReadonlyMap<string, number>>();
        const found = ways.map(({ faults }) => {
          const at = String(faults.find((each) => this.placeIds[each] === place.id) ?? '');
          const outcomes = known.get(at) ?? withSlips([[at, 1]], 2);
          known.set(at, outcomes);
          return outcomes;
        });
        return {
          minutes: check.minutes * again(place.id),
          check,
          shows: (way) => found[way] as ReadonlyMap<string, number>,
        };
      });
  }
}

/** Whether one cause was found at its place and stands for itself. A cause is not settled by switches alone. */
function settled([first]: readonly Suspect[], { places }: Told): boolean {
  if (!first || first.and || first.faults.length > 1) return false;
  return first.probability >= SETTLED && places.some(({ found }) => found === first.faults[0]?.id);
}
