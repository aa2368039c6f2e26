import { compareTurnCures } from '../cures/compare/compare.ts';
import type { CureReport } from '../cures/compare/evaluate.ts';
import { steadyComplaints } from '../cures/compare/steadyCures.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { circuitsAsked, type QuickJob } from './quickJob.ts';

/** So many cures that suppose something are shown. */
const MOST_SUPPOSING = 3;

/** What can be done, as far as it holds whatever is still unknown. */
export interface QuickCure {
  /** the cheapest that holds on every way the vehicle may be; null where none does */
  best: CureReport | null;
  /** those that hold if something is so that nobody has looked at, the ones that suppose least first */
  supposing: readonly CureReport[];
  /** so many were tried */
  tried: number;
}

/**
 * The cheapest cure of a quick check that holds whatever nobody has said.
 *
 * @throws UnknownReferenceError for a bulb or part that is not known
 */
export function quickCure({ job, shelf, lampIds }: QuickJob): QuickCure {
  const ids = circuitsAsked(job.vehicle, lampIds);
  const turn = turnCircuits(job.vehicle).find((circuit) => ids.includes(circuit.id));
  const reports = turn
    ? compareTurnCures(job, shelf, turn)
    : steadyComplaints(job, shelf)
        .filter(({ circuitId }) => ids.includes(circuitId))
        .slice(0, 1)
        .flatMap(({ cures }) => cures);
  // To keep the filament bulb is no cure for somebody who asks what an LED will do.
  const cures = reports.filter(({ option }) => option.change !== null && !option.kinds.includes('filament'));
  const cost = ({ price, unpriced }: CureReport) => price + 5 * unpriced;
  const supposed = ({ option }: CureReport) => option.supposes?.length ?? 0;
  const cheapest = (list: readonly CureReport[]) => list.toSorted((a, b) => cost(a) - cost(b))[0] ?? null;
  const real = cures.filter(({ option }) => !option.kinds.includes('nothing'));
  return {
    best: cheapest(real.filter(({ state }) => state === 'holds')),
    supposing: real
      .filter(
        ({ state, option, watcher }) => state === 'either-way' && watcher === 'holds' && option.supposes,
      )
      .toSorted((a, b) => supposed(a) - supposed(b) || cost(a) - cost(b))
      .slice(0, MOST_SUPPOSING),
    tried: real.length,
  };
}
