import { describe, expect, it } from 'vitest';
import { cureBoard } from '../../core/cures/board/board.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { steadyComplaints } from '../../core/cures/compare/steadyCures.ts';
import { JobAnalysis } from '../../core/judge/analysis.ts';
import { turnCircuits } from '../../core/model/vehicle/lookUp.ts';
import { nextTurnTest } from '../../core/possible/nextTest.ts';
import { CONTROLS_OFF } from '../../core/simulation/controls.ts';
import { lampStrips } from '../../core/traces/lampStrips.ts';
import { traceLamps } from '../../core/traces/traceLamps.ts';
import { jobProgress } from '../../core/work/progress.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { SameAsBefore } from './sameAsBefore.ts';

const job = demoJob('library-route-1');

function deepFrozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) for (const each of Object.values(value)) deepFrozen(each);
  return Object.freeze(value);
}

describe('what comes in from another thread', () => {
  it('is the very same where it is equal, and new where it is not', () => {
    const { again } = new SameAsBefore();
    const first = again(structuredClone(job));
    expect(again(structuredClone(job))).toBe(first);
    const edited = again({ ...structuredClone(job), chosen: { ...job.chosen, 'rear-left': null } });
    expect(edited).not.toBe(first);
    expect(edited.vehicle).toBe(first.vehicle);
    expect(edited.chosen).not.toBe(first.chosen);
    const shelf = again(structuredClone(DEMO_SHELF));
    expect(again(structuredClone(DEMO_SHELF))).toBe(shelf);
    expect(again('turn-left')).toBe('turn-left');
    const circuit = structuredClone(job.vehicle.circuits[0]);
    expect(again(circuit)).toBe(circuit);
  });

  it('takes over the bands of the healthy vehicle from an edit to the next, and answers as if it did not', () => {
    const same = new SameAsBefore();
    const board = same.of(cureBoard);
    board(structuredClone(job), structuredClone(DEMO_SHELF));
    const analysed = same.of((...asked: [typeof job, typeof DEMO_SHELF]) => JobAnalysis.of(...asked));
    const before = analysed(structuredClone(job), structuredClone(DEMO_SHELF));
    const edit = { ...job, chosen: { ...job.chosen, 'rear-left': null }, title: 'Another' };
    const after = analysed(structuredClone(edit), structuredClone(DEMO_SHELF));
    expect(after.likeliest.bands).toBe(before.likeliest.bands);
    const rows = (of: ReturnType<typeof cureBoard>) => ({ rows: of.rows, state: of.state });
    expect(rows(board(structuredClone(edit), structuredClone(DEMO_SHELF)))).toEqual(
      rows(cureBoard(structuredClone(edit), structuredClone(DEMO_SHELF))),
    );
  });

  it('is changed by nobody who computes with it', () => {
    const frozen = deepFrozen(structuredClone(job));
    const shelf = deepFrozen(structuredClone(DEMO_SHELF));
    const [circuit] = turnCircuits(frozen.vehicle);
    if (!circuit) throw new Error('no turn circuit');
    cureBoard(frozen, shelf);
    compareTurnCures(frozen, shelf, circuit);
    steadyComplaints(frozen, shelf);
    traceLamps(frozen, shelf, 'cured', { ...CONTROLS_OFF, key: 'on', turn: 'left' }, 12.6);
    lampStrips(frozen, shelf, { ...CONTROLS_OFF, key: 'on', turn: 'left' }, 12.6);
    jobProgress(frozen, shelf);
    nextTurnTest(frozen, shelf, circuit.id, true);
  });

  it('forgets jobs that were left', () => {
    const { again } = new SameAsBefore();
    const first = again(structuredClone(job));
    for (const id of ['a', 'b', 'c', 'd', 'e', 'f']) again({ ...structuredClone(job), id });
    expect(again(structuredClone(job))).not.toBe(first);
  });
});
