import { bestTest, type TestChoice } from '../evidence/nextTest.ts';
import { FAULT_FACTS } from '../faults/kinds.ts';
import type { PossibleFault } from '../faults/library.ts';
import type { ProvingGrid } from './grid.ts';

/** What was seen in one cell: one deviation as it was told, or that all was as expected. */
export interface CellEvidence {
  cellId: string;
  /** `rear-left dark`, `flash fast`, `message stop`; null where all was as it should be */
  seen: string | null;
}

/** One fault looked for at its own place, and whether it was there. */
export interface LookEvidence {
  faultId: string;
  found: boolean;
}

/** Faults that no cell tells apart, with what is thought of all of them. */
export interface Suspect {
  faults: readonly PossibleFault[];
  /** 0 to 1 */
  probability: number;
  /** what of the evidence it explains, and what not */
  explains: readonly CellEvidence[];
  leaves: readonly CellEvidence[];
}

export type NextCheck =
  | { kind: 'cell'; cellId: string; minutes: number }
  /** looking for one fault at its own place */
  | { kind: 'look'; faultId: string; what: string; minutes: number };

export interface FaultFinding {
  /** likeliest first; what is less likely than a thousandth is left out */
  suspects: readonly Suspect[];
  /** how likely it is that nothing of the list is wrong */
  soundProbability: number;
  /** evidence that nothing on the list explains */
  unexplained: readonly CellEvidence[];
  next: NextCheck | null;
}

/** How often somebody tells a cell wrongly (assumed; one in ten). */
const MISTOLD = 0.1;
/** How likely it is before anything was seen that nothing is wrong, against all faults together. */
const SOUND = 0.3;
/** To the seat and round the lamps once, minutes (typical). */
const CELL_MINUTES = 1.5;
const WORTH = 0.01;
const NOT_SHOWN = 1e-3;

/**
 * Ranks what may be wrong by what was seen, each fault's symptoms simulated on this vehicle, and names the check that
 * tells most per minute. Likelihoods allow for one telling in ten being wrong; a fault is held to what it would show, and
 * not to what nobody told of.
 */
export function findFault(
  grid: ProvingGrid,
  evidence: readonly CellEvidence[],
  looked: readonly LookEvidence[] = [],
): FaultFinding {
  const cellAt = new Map(grid.cells.map(({ id }, at) => [id, at]));
  const known = evidence.filter(({ cellId }) => cellAt.has(cellId));
  const shows = (fault: number, cellId: string) => grid.seen[fault]?.[cellAt.get(cellId) ?? -1] ?? [];
  const total = grid.faults.reduce((sum, { prior }) => sum + prior, 0) || 1;
  const weights = grid.faults.map(({ id, prior }, fault) =>
    known.reduce(
      (weight, each) => weight * likelihood(shows(fault, each.cellId), each),
      (((1 - SOUND) * prior) / total) * lookedLikelihood(id, looked),
    ),
  );
  const sound = known.reduce(
    (weight, each) => weight * likelihood([], each),
    SOUND * lookedLikelihood(undefined, looked),
  );
  const all = weights.reduce((sum, each) => sum + each, sound) || 1;
  const groups = groupsOf(grid);
  const suspects = groups
    .map((faults): Suspect => {
      const [first = 0] = faults;
      const fits = (each: CellEvidence) => agrees(shows(first, each.cellId), each);
      return {
        faults: faults.flatMap((at) => grid.faults[at] ?? []),
        probability: faults.reduce((sum, at) => sum + (weights[at] ?? 0), 0) / all,
        explains: known.filter((each) => each.seen !== null && fits(each)),
        leaves: known.filter((each) => !fits(each)),
      };
    })
    .filter(({ probability }) => probability >= NOT_SHOWN)
    .toSorted((a, b) => b.probability - a.probability);
  const unexplained = known.filter(
    (each) => each.seen !== null && !grid.faults.some((_, fault) => agrees(shows(fault, each.cellId), each)),
  );
  return {
    suspects,
    soundProbability: sound / all,
    unexplained,
    next: nextCheck(grid, groups, weights, sound, known, looked),
  };
}

function agrees(shown: readonly string[], { seen }: CellEvidence): boolean {
  return seen === null ? shown.length === 0 : shown.includes(seen);
}

function likelihood(shown: readonly string[], evidence: CellEvidence): number {
  // Of several things a cell shows, any may be the one that is told: each is told the less often for it.
  return agrees(shown, evidence) ? (1 - MISTOLD) / Math.max(1, shown.length) : MISTOLD / 8;
}

/** How well a fault goes with what was looked for and found, or not. */
function lookedLikelihood(faultId: string | undefined, looked: readonly LookEvidence[]): number {
  return looked.reduce((weight, each) => {
    const there = each.faultId === faultId;
    if (each.found) return weight * (there ? 1 - MISTOLD : MISTOLD / 4);
    return weight * (there ? MISTOLD : 1 - MISTOLD);
  }, 1);
}

/** Faults that look the same in every cell, by their places in the list. */
function groupsOf({ faults, seen }: ProvingGrid): number[][] {
  const groups = new Map<string, number[]>();
  faults.forEach((_, fault) => {
    const signature = (seen[fault] ?? []).map((each) => each.join('+')).join('|');
    groups.set(signature, [...(groups.get(signature) ?? []), fault]);
  });
  return [...groups.values()];
}

const SOUND_PLACE = -1;

function nextCheck(
  grid: ProvingGrid,
  groups: readonly (readonly number[])[],
  weights: readonly number[],
  sound: number,
  known: readonly CellEvidence[],
  looked: readonly LookEvidence[],
): NextCheck | null {
  const possible = [
    ...grid.faults.map((_, fault) => ({ is: fault, weight: weights[fault] ?? 0, follows: String(fault) })),
    { is: SOUND_PLACE, weight: sound, follows: 'sound' },
  ];
  const told = new Map<string, number>();
  for (const { cellId } of known) told.set(cellId, (told.get(cellId) ?? 0) + 1);
  const cells = grid.cells.map((cell, at): TestChoice<number> & { check: NextCheck } => {
    const label = (fault: number) => (fault === SOUND_PLACE ? '' : (grid.seen[fault]?.[at] ?? []).join('+'));
    const kinds = new Set(possible.map(({ is }) => label(is))).size;
    return {
      // What was seen twice is hardly seen otherwise a third time.
      minutes: CELL_MINUTES * (1 + (told.get(cell.id) ?? 0)),
      check: { kind: 'cell', cellId: cell.id, minutes: CELL_MINUTES },
      shows: (fault) => withSlips(label(fault), kinds),
    };
  });
  // Looking at its place tells one fault from all others, those of its own group among them.
  const likely = groups
    .flat()
    .toSorted((a, b) => (weights[b] ?? 0) - (weights[a] ?? 0))
    .slice(0, 8);
  const looks = likely.flatMap((at): (TestChoice<number> & { check: NextCheck })[] => {
    const fault = grid.faults[at];
    if (!fault) return [];
    const { minutes, look } = FAULT_FACTS[fault.fault.kind];
    const before = looked.filter(({ faultId }) => faultId === fault.id).length;
    const mean = ((minutes[0] + minutes[1]) / 2) * (1 + before);
    return [
      {
        minutes: mean,
        check: { kind: 'look', faultId: fault.id, what: look, minutes: mean },
        shows: (is) => withSlips(is === at ? 'there' : 'not there', 2),
      },
    ];
  });
  return bestTest([...cells, ...looks], possible, WORTH)?.test.check ?? null;
}

/** An outcome with a share of tellings that are anything else. */
function withSlips(label: string, kinds: number): ReadonlyMap<string, number> {
  return new Map([
    [label, 1 - MISTOLD + MISTOLD / Math.max(kinds, 1)],
    ['told wrongly', MISTOLD - MISTOLD / Math.max(kinds, 1)],
  ]);
}
