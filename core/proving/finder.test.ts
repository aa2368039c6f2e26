import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { randomFrom } from '../../tests/fuzz/hiddenPlug.ts';
import { type CellEvidence, findFault, type LookEvidence } from './finder.ts';
import { type ProvingGrid, provingGrid } from './grid.ts';

const gridOf = (id: string): ProvingGrid => {
  const grid = provingGrid(demoJob(id), DEMO_SHELF);
  if (!grid) throw new Error('it was ended');
  return grid;
};
const van = gridOf('library-route-1');
const trailer = gridOf('exhibition-trailer');
const moped = gridOf('courier-moped-7');

/** Follows the finder's own checks on a vehicle with one fault until so many are spent; whether the fault is among its first three. */
function found(
  grid: ProvingGrid,
  fault: number,
  checks: number,
  falseShare: number,
  random: () => number,
): boolean {
  const cells: CellEvidence[] = [];
  const looked: LookEvidence[] = [];
  let finding = findFault(grid, cells, looked);
  for (let check = 0; check < checks && finding.next; check += 1) {
    const { next } = finding;
    const slipped = random() < falseShare;
    if (next.kind === 'look') {
      const there = grid.faults[fault]?.id === next.faultId;
      looked.push({ faultId: next.faultId, found: slipped ? !there : there });
    } else {
      const at = grid.cells.findIndex(({ id }) => id === next.cellId);
      // Whoever looks tells one thing of what he sees; told wrongly it is what some other fault would show.
      const of = slipped ? Math.floor(random() * grid.faults.length) : fault;
      const shown = grid.seen[of]?.[at] ?? [];
      cells.push({ cellId: next.cellId, seen: shown[Math.floor(random() * shown.length)] ?? null });
    }
    finding = findFault(grid, cells, looked);
  }
  // Ties are counted against it: what is as likely as the third stands before it.
  const mine = finding.suspects.find(({ faults }) => faults.some(({ id }) => id === grid.faults[fault]?.id));
  const before = finding.suspects.filter(
    (each) => each !== mine && each.probability >= (mine?.probability ?? 1),
  );
  return mine !== undefined && before.length < 3;
}

describe('findFault', () => {
  it('follows its own checks to the fault: in the first three in 95 of 100', () => {
    const random = randomFrom(4);
    const tries = [van, trailer, moped].flatMap((grid) =>
      grid.faults.flatMap((each, at) =>
        grid.unshown.includes(each) ? [] : [found(grid, at, 12, 0, random)],
      ),
    );
    expect(tries.length).toBeGreaterThan(80);
    expect(tries.filter(Boolean).length / tries.length).toBeGreaterThanOrEqual(0.95);
  });

  it('and with one telling in ten false, in 90 of 100 within twice the checks', () => {
    const random = randomFrom(9);
    const tries = [van, trailer, moped].flatMap((grid) =>
      grid.faults.flatMap((each, at) =>
        grid.unshown.includes(each) ? [] : [found(grid, at, 24, 0.1, random)],
      ),
    );
    expect(tries.filter(Boolean).length / tries.length).toBeGreaterThanOrEqual(0.9);
  });

  it('says what explains what was seen, and what nothing on the list does', () => {
    const finding = findFault(van, [
      { cellId: 'turn-left', seen: 'rear-right wrong' },
      { cellId: 'turn-right', seen: 'rear-left wrong' },
    ]);
    expect(finding.suspects[0]?.faults[0]?.id).toBe('sides-bridged');
    expect(finding.suspects[0]?.explains.length).toBe(2);
    expect(finding.suspects[0]?.probability).toBeGreaterThan(0.9);
    const odd = findFault(van, [{ cellId: 'turn-left', seen: 'message turn-left' }]);
    expect(odd.unexplained).toEqual([{ cellId: 'turn-left', seen: 'message turn-left' }]);
  });

  it('holds faults no cell tells apart as one, and looks at its place to part them', () => {
    const finding = findFault(van, [
      { cellId: 'turn-left', seen: 'rear-left dark' },
      { cellId: 'hazard', seen: 'rear-left dark' },
    ]);
    const [first] = finding.suspects;
    expect(first?.faults.map(({ fault }) => fault.kind)).toContain('bulb-out');
    expect(finding.next).not.toBeNull();
    const parted = findFault(
      van,
      [{ cellId: 'turn-left', seen: 'rear-left dark' }],
      [{ faultId: 'bulb-out:rear-left', found: true }],
    );
    expect(parted.suspects[0]?.faults.map(({ id }) => id)).toContain('bulb-out:rear-left');
  });

  it('thinks nothing is wrong where all is as it should be', () => {
    const fine = findFault(
      van,
      van.cells.map(({ id }) => ({ cellId: id, seen: null })),
    );
    expect(fine.soundProbability).toBeGreaterThan(0.3);
    // What is left is what no cell can show.
    for (const { faults } of fine.suspects.slice(0, 1))
      expect(faults.every((each) => van.unshown.includes(each))).toBe(true);
  });
});
