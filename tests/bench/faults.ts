/** Speed of the proving grid and the finder, and the minutes a fault takes by advice, in a fixed order and at random. */

import { placesOf } from '../../core/faults/places.ts';
import { ALONE_AT_THE_SEAT, cellMinutes, type NextCheck, placeMinutes } from '../../core/proving/checks.ts';
import { deviations } from '../../core/proving/deviations.ts';
import { FaultFinder } from '../../core/proving/finder.ts';
import { provingGrid } from '../../core/proving/grid.ts';
import type { Outcome } from '../../core/proving/outcome.ts';
import type { Told } from '../../core/proving/told.ts';
import { NOTHING_TOLD } from '../../core/proving/told.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { hiddenVehicle, type Picker, searchFor } from '../fuzz/hiddenFault.ts';
import { randomFrom } from '../fuzz/hiddenPlug.ts';
import { manyLampJob } from './large.ts';

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];

function finderOf(id: string) {
  const job = demoJob(id);
  const grid = provingGrid(job, DEMO_SHELF);
  if (!grid) throw new Error('it was ended');
  return { job, grid, finder: new FaultFinder(job, grid, DEMO_SHELF) };
}

const gritter = finderOf('gritter-4');
const told: Told = { ...NOTHING_TOLD, cells: [{ cellId: 'turn-left', seen: ['rear-left dark'] }] };

export const faultRows: readonly (readonly [what: string, run: () => unknown, calls: number])[] = [
  ['proving grid of the gritter, all faults, one thread', () => provingGrid(gritter.job, DEMO_SHELF), 5],
  ...[80, 300].map((lamps) => {
    const job = manyLampJob(lamps);
    return [
      `proving grid of a lorry of ${lamps} lamps, all faults, one thread`,
      () => provingGrid(job, DEMO_SHELF),
      1,
    ] as const;
  }),
  ['next check of the gritter after an answer', () => gritter.finder.find(told), 40],
];

/** Every check of a vehicle: its cells in the order of the grid, then its places in that of the list. */
function allChecks({ job, grid }: ReturnType<typeof finderOf>): NextCheck[] {
  return [
    ...grid.cells.map(
      (cell, at): NextCheck => ({
        kind: 'cell',
        cellId: cell.id,
        minutes: cellMinutes(job, cell, grid.expected[at] as Outcome, ALONE_AT_THE_SEAT),
      }),
    ),
    ...placesOf(grid.faults).map(
      (place): NextCheck => ({
        kind: 'place',
        placeId: place.id,
        faultIds: place.faults.map(({ id }) => id),
        minutes: placeMinutes(job, place, ALONE_AT_THE_SEAT),
      }),
    ),
  ];
}

const mean = (of: readonly number[]) => of.reduce((sum, each) => sum + each, 0) / Math.max(1, of.length);

/** Minutes to a fault of vehicles that differ from the model: as advised, in a fixed order, at random, and the bound. */
export function faultsInWords(): string {
  const random = randomFrom(11);
  return FLEET.map((id) => {
    const vehicle = finderOf(id);
    const { job, grid, finder } = vehicle;
    const checks = allChecks(vehicle);
    const advised: number[] = [];
    const fixed: number[] = [];
    const any: number[] = [];
    let right = 0;
    for (const fault of grid.faults) {
      if (!fault.fault) continue;
      const played = hiddenVehicle(job, DEMO_SHELF, random).play(fault);
      const shows = grid.cells.some((cell, at) =>
        deviations(grid.expected[at] as Outcome, played.in(cell)).sure.some(
          (each) => !grid.sound[at]?.sure.includes(each) && !grid.sound[at]?.maybe.includes(each),
        ),
      );
      if (!shows) continue;
      const by = (pick?: Picker) => searchFor(finder, { fault, played }, checks.length, 0, random, pick);
      const mine = by();
      advised.push(mine.minutes);
      if (mine.found) right += 1;
      fixed.push(by(untilFound(checks)).minutes);
      const shuffled = checks
        .map((each) => ({ each, at: random() }))
        .toSorted((a, b) => a.at - b.at)
        .map(({ each }) => each);
      any.push(by(untilFound(shuffled)).minutes);
    }
    // No plan does with less than what is open, told at the most that any check tells a minute.
    const open = entropyBits(grid.faults.map(({ prior }) => prior));
    const most = Math.max(...checks.map((check) => outcomesBits(vehicle, check) / check.minutes));
    return `faults of ${id}: ${advised.length} looked for, ${right} in the first three; minutes in the mean ${mean(advised).toFixed(1)} as advised, ${mean(fixed).toFixed(1)} in a fixed order, ${mean(any).toFixed(1)} at random, none under ${(open / most).toFixed(1)} (entropy bound, causes settled at their place); largest group ${finder.largestGroup}`;
  }).join('\n');
}

/** Checks one after another, until the finder asks for none. */
function untilFound(checks: readonly NextCheck[]): Picker {
  let at = 0;
  return ({ next }) => {
    if (next === null) return null;
    const check = checks[at];
    at += 1;
    return check ?? null;
  };
}

function entropyBits(weights: readonly number[]): number {
  const total = weights.reduce((sum, each) => sum + each, 0);
  return weights.reduce((sum, each) => sum - (each > 0 ? (each / total) * Math.log2(each / total) : 0), 0);
}

/** What one check can tell at most before anything is known, bits: the entropy of its outcomes. */
function outcomesBits({ grid }: ReturnType<typeof finderOf>, check: NextCheck): number {
  const weights = new Map<string, number>();
  grid.faults.forEach(({ id, prior }, fault) => {
    const label =
      check.kind === 'cell'
        ? (grid.seen[fault]?.[grid.cells.findIndex((cell) => cell.id === check.cellId)]?.sure.join('+') ?? '')
        : check.faultIds.includes(id)
          ? id
          : '';
    weights.set(label, (weights.get(label) ?? 0) + prior);
  });
  return entropyBits([...weights.values()]);
}
