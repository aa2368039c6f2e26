import { kindOf, placeOf } from '../faults/kinds.ts';
import type { PossibleFault } from '../faults/library.ts';
import { lampById } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { oneOf, type Random } from '../numerics/random.ts';
import type { ProvingGrid } from '../proving/grid.ts';

/** How hard a round is: one fault that shows in many cells, one of any kind, two at once. */
export const LEVELS = ['easy', 'any', 'two'] as const;
export type Level = (typeof LEVELS)[number];

/** An easy fault shows in this share of the cells at the least, of those that show at all the likelier half. */
const EASY_SHARE = 0.25;

/**
 * The faults of a round, drawn by a seed: those a cell is sure to show, each kind as likely as it is met, and of two none at the
 * place or lamp of the other.
 *
 * @returns none where the vehicle has no fault that shows
 */
export function hiddenFaults(
  grid: ProvingGrid,
  vehicle: Vehicle,
  level: Level,
  random: Random,
): PossibleFault[] {
  const shown = grid.faults.flatMap((fault, at) => {
    const cells = (grid.seen[at] ?? []).filter(({ sure }) => sure.length > 0).length;
    // The last is what is nothing broken: there is no place to find it at.
    return cells > 0 && kindOf(fault.fault).minutes[1] > 0 ? [{ fault, cells }] : [];
  });
  const fitting =
    level === 'easy' ? shown.filter(({ cells }) => cells >= EASY_SHARE * grid.cells.length) : shown;
  const among = (fitting.length > 0 ? fitting : shown).map(({ fault }) => fault);
  if (among.length === 0) return [];
  const first = weighed(random, among);
  if (level !== 'two') return [first];
  const apart = among.filter((each) => isApart(vehicle, first, each));
  return apart.length === 0 ? [first] : [first, weighed(random, apart)];
}

/** One of them by their priors, the rare ones a little oftener than they are: nobody learns from ten dead bulbs in a row. */
function weighed(random: Random, faults: readonly PossibleFault[]): PossibleFault {
  const weight = ({ prior }: PossibleFault) => Math.sqrt(prior);
  const all = faults.reduce((sum, fault) => sum + weight(fault), 0);
  let left = random() * all;
  for (const fault of faults) {
    left -= weight(fault);
    if (left <= 0 && all > 0) return fault;
  }
  return oneOf(random, faults);
}

/** Whether two faults are of other places and other lamps. */
function isApart(vehicle: Vehicle, a: PossibleFault, b: PossibleFault): boolean {
  if (placeOf(a.fault) === placeOf(b.fault)) return false;
  // What is at no one lamp, as a relay, bears on all of them.
  if (!kindOf(a.fault).atLamp || !kindOf(b.fault).atLamp) return true;
  const lamps = (each: PossibleFault) =>
    kindOf(each.fault)
      .lampIds(each.fault, vehicle)
      .map((id) => lampById(vehicle, id).id);
  const mine = new Set(lamps(a));
  return !lamps(b).some((id) => mine.has(id));
}
