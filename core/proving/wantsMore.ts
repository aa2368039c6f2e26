import type { WantsLoad } from '../faults/kinds/wantsLoad.ts';
import { faultId } from '../faults/kinds.ts';
import type { PossibleFault } from '../faults/library.ts';
import { watchedBy } from '../judge/watchedBy.ts';
import { type DeviationKey, deviationOf } from '../model/deviationKey.ts';
import type { Job } from '../model/job.ts';
import { scopeCircuits } from '../model/scope.ts';
import type { CircuitKind } from '../model/vehicle/circuit.ts';
import type { Cell } from './cells.ts';
import { atAnySize, deviations, isNothing, type Shown } from './deviations.ts';
import type { Outcome } from './outcome.ts';
import type { CellPlayer } from './player.ts';

/** Thresholds tried, as shares of their band: evenly, since nobody knows more. */
const SHARES = Array.from({ length: 10 }, (_, at) => (at + 0.5) / 10);

/** How likely a circuit is watched of which nobody knows (assumed). */
const IS_WATCHED = 0.5;

/** Circuits whose watcher wants more load as they are fitted, how likely that is, and what each cell then shows. */
export interface Wanting {
  cause: PossibleFault;
  row: readonly Shown[];
}

/**
 * What shows with nothing broken because somebody who watches wants more: a cause of its own for each kind of circuit, as
 * likely as its threshold is to lie above what is drawn.
 *
 * @param expected what each cell shows as fitted
 */
export function wantingMore(
  job: Job,
  player: CellPlayer,
  cells: readonly Cell[],
  expected: readonly Outcome[],
): Wanting[] {
  const open = expected.some(
    ({ flash, short, maybe, messages }) =>
      flash === 'unsure' || flash === short || maybe.size > 0 || messages.size > 0,
  );
  if (!open) return [];
  const kinds = new Map<CircuitKind, string[]>();
  for (const { kind, id } of scopeCircuits(job)) kinds.set(kind, [...(kinds.get(kind) ?? []), id]);
  const played = SHARES.map((share) => {
    const decided = player.decidedAt(share);
    return cells.map((cell, at) => deviations(expected[at] as Outcome, decided.asFitted(cell)));
  });
  return [...kinds].flatMap(([kind, circuitIds]): Wanting[] => {
    const fault: WantsLoad = { kind: 'wants-load', circuitIds };
    const rows = played.map((row) => row.map((shown) => ofCircuits(shown, circuitIds, kind === 'turn')));
    const short = rows.filter((row) => !row.every(isNothing));
    if (short.length === 0) return [];
    const open = scopeCircuits(job)
      .filter(({ id }) => circuitIds.includes(id))
      .every((circuit) => watchedBy(job, player.fitment.flasher, circuit).open);
    const likely = (short.length / rows.length) * (open ? IS_WATCHED : 1);
    const cause = { id: faultId(fault), fault, prior: likely, openingId: null };
    return [{ cause, row: cells.map((_, at) => atAnySize(short.flatMap((row) => row[at] ?? []))) }];
  });
}

/** What of a cell is of some circuits' watchers. */
function ofCircuits({ sure, maybe }: Shown, circuitIds: readonly string[], flash: boolean): Shown {
  const among = (key: DeviationKey) => {
    const found = deviationOf(key);
    if (found?.what === 'message') return circuitIds.includes(found.circuitId);
    return flash && (found?.what === 'fast' || found?.what === 'slow' || found?.what === 'none');
  };
  return { sure: sure.filter(among), maybe: maybe.filter(among) };
}
