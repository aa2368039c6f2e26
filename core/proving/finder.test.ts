import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { type Place, placesOf } from '../faults/places.ts';
import type { DeviationKey } from '../model/deviationKey.ts';
import type { Cell } from './cells.ts';
import { cellMinutes, placeMinutes } from './checks.ts';
import type { Shown } from './deviations.ts';
import { FaultFinder } from './finder.ts';
import { provingGrid } from './grid.ts';
import { cellLikelihood } from './likelihood.ts';
import type { Outcome } from './outcome.ts';
import { type CellTold, NOTHING_TOLD } from './told.ts';

const finderOf = (id: string): FaultFinder => {
  const job = demoJob(id);
  const grid = provingGrid(job, DEMO_SHELF);
  if (!grid) throw new Error('it was ended');
  return new FaultFinder(job, grid, DEMO_SHELF);
};
const van = finderOf('library-route-1');
const minibus = finderOf('dial-a-ride-2');
const told = (cells: readonly CellTold[]) => ({ ...NOTHING_TOLD, cells });
const first = (finder: FaultFinder, cells: readonly CellTold[]) => finder.find(told(cells)).suspects[0];

describe('cellLikelihood', () => {
  const shown: Shown = { sure: ['rear-left dark'], maybe: ['flash fast'] };
  it('is highest for what would show, less for what may, least for what cannot', () => {
    const of = (...seen: DeviationKey[]) => cellLikelihood(shown, { seen });
    expect(of('rear-left dark')).toBeGreaterThan(of('rear-left dark', 'flash fast'));
    expect(of('rear-left dark', 'flash fast')).toBeGreaterThan(of('flash fast'));
    expect(of('flash fast')).toBeGreaterThan(of('front-left dark'));
    expect(of()).toBeLessThan(cellLikelihood({ sure: [], maybe: ['flash fast'] }, { seen: [] }));
  });
});

describe('FaultFinder', () => {
  it('says what explains what was seen, what else would show, and what nothing on the list explains', () => {
    const best = first(van, [
      { cellId: 'turn-left', seen: ['rear-right wrong'] },
      { cellId: 'turn-right', seen: ['rear-left wrong'] },
    ]);
    expect(best?.faults[0]?.id).toBe('sides-bridged');
    expect(best?.explains.length).toBe(2);
    expect(best?.would.map(({ cellId }) => cellId)).toContain('turn-left-lights');
    expect(best?.probability).toBeGreaterThan(0.8);
    const odd: CellTold[] = [{ cellId: 'turn-left', seen: ['message turn-left'] }];
    expect(van.find(told(odd)).unexplained).toEqual(odd);
  });

  it('holds faults no cell tells apart as one, and looks at their places to part them', () => {
    const cells: CellTold[] = [
      { cellId: 'turn-left', seen: ['rear-left dark'] },
      { cellId: 'hazard', seen: ['rear-left dark'] },
    ];
    const finding = van.find(told(cells));
    const among = finding.suspects.slice(0, 3).flatMap(({ faults }) => faults.map(({ id }) => id));
    expect(among).toContain('bulb-out:rear-left');
    expect(finding.next).not.toBeNull();
    const parted = van.find({
      ...told(cells),
      places: [{ placeId: 'bulb:rear-left', found: 'bulb-out:rear-left' }],
    });
    expect(parted.suspects[0]?.faults.map(({ id }) => id)).toEqual(['bulb-out:rear-left']);
    expect(parted.next).toBeNull();
    const elsewhere = van.find({ ...told(cells), places: [{ placeId: 'bulb:rear-left', found: null }] });
    expect(elsewhere.suspects[0]?.faults[0]?.id).not.toBe('bulb-out:rear-left');
  });

  it('thinks nothing is wrong where all is as it should be', () => {
    const fine = van.find(told(van.grid.cells.map(({ id }) => ({ cellId: id, seen: [] }))));
    expect(fine.soundProbability).toBeGreaterThan(0.5);
    const quiet = new Set([...van.grid.unshown, ...van.grid.doubtful].map(({ id }) => id));
    for (const { faults } of fine.suspects.slice(0, 1))
      expect(faults.every(({ id }) => quiet.has(id))).toBe(true);
  });

  it('takes two faults where one leaves something, near the top', () => {
    const finding = van.find(
      told([
        { cellId: 'turn-left', seen: ['front-left dark'] },
        { cellId: 'turn-right', seen: ['rear-right dark'] },
        { cellId: 'hazard', seen: ['front-left dark', 'rear-right dark'] },
      ]),
    );
    const top = finding.suspects.slice(0, 4).find(({ and }) => and !== null);
    const lamps = [top?.faults[0], top?.and].map((each) =>
      each?.fault && 'lampId' in each.fault ? each.fault.lampId : '',
    );
    expect(lamps.toSorted()).toEqual(['front-left', 'rear-right']);
    expect(top?.leaves).toEqual([]);
  });

  it('says where one cell was told in two ways', () => {
    const finding = van.find(
      told([
        { cellId: 'turn-left', seen: ['rear-left dark'] },
        { cellId: 'turn-left', seen: [] },
      ]),
    );
    expect(finding.contradictory).toEqual(['turn-left']);
  });

  it('weighs what was told beside: contacts where wiggling helps, the relay where it was changed', () => {
    const dark = told([{ cellId: 'turn-left', seen: ['rear-left dark'] }]);
    const share = (clues: { clue: 'wiggle' | 'came-later'; lampId: string | null }[], id: string) =>
      van
        .find({ ...dark, clues })
        .suspects.filter(({ faults }) => faults.some((each) => each.id === id))
        .reduce((sum, { probability }) => sum + probability, 0);
    const contact = 'poor-contact:rear-left:main';
    expect(share([{ clue: 'wiggle', lampId: 'rear-left' }], contact)).toBeGreaterThan(share([], contact));
  });

  it('counts what a check costs: a helper saves the way to the seat, an open panel its opening, ten minutes are ten', () => {
    const { grid } = van;
    const job = demoJob('library-route-1');
    const minutesOf = (id: string, helper: boolean) => {
      const at = grid.cells.findIndex((cell) => cell.id === id);
      return cellMinutes(job, grid.cells[at] as Cell, grid.expected[at] as Outcome, { helper, open: [] });
    };
    expect(minutesOf('turn-left', true)).toBeLessThan(minutesOf('turn-left', false));
    expect(minutesOf('hazard-minutes', false)).toBeGreaterThan(minutesOf('hazard', false) + 9.9);
    expect(minutesOf('turn-left-engine', false)).toBeGreaterThan(minutesOf('turn-left', false));
    const bulb = placesOf(grid.faults).find(({ id }) => id === 'bulb:rear-left') as Place;
    const lamp = job.vehicle.lamps.find(({ id }) => id === 'rear-left');
    const [from = 0, to = 0] = lamp?.access.minutes ?? [];
    const shut = placeMinutes(job, bulb, { helper: false, open: [] });
    const open = placeMinutes(job, bulb, { helper: false, open: [lamp?.access.group ?? ''] });
    expect(shut - open).toBeCloseTo((from + to) / 2, 9);
  });

  it('is never settled by switches alone: the last check is a look at the place', () => {
    const sure: CellTold[] = [
      { cellId: 'turn-left', seen: ['front-right wrong', 'rear-right wrong', 'repeater-right wrong'] },
      { cellId: 'turn-right', seen: ['front-left wrong', 'rear-left wrong', 'repeater-left wrong'] },
    ];
    const finding = van.find(told(sure));
    expect(finding.suspects[0]?.probability).toBeGreaterThan(0.95);
    expect(finding.next).toMatchObject({ kind: 'place', placeId: 'sides-bridged' });
    const found = { placeId: 'sides-bridged', found: 'sides-bridged' };
    expect(van.find({ ...told(sure), places: [found] }).next).toBeNull();
  });

  it('finds what no circuit feels too: a pulsed feed where an LED flickers, a setting that was lost', () => {
    const flicker = first(minibus, [{ cellId: 'tail-left', seen: ['stop-tail-left flickers'] }]);
    expect(flicker?.faults[0]?.id).toMatch(/^pulsed:tail-left:/);
    const message = first(minibus, [
      { cellId: 'asleep', seen: ['message turn-left'] },
      { cellId: 'turn-left', seen: ['flash fast'] },
    ]);
    // The setting is of both sides, or of this one.
    expect(message?.faults[0]?.id).toBe('setting-lost:turn-left:turn-right');
    const leftAlone = first(minibus, [
      { cellId: 'asleep', seen: ['message turn-left'] },
      { cellId: 'turn-left', seen: ['flash fast'] },
      { cellId: 'turn-right', seen: [] },
    ]);
    expect(leftAlone?.faults[0]?.id).toBe('setting-lost:turn-left');
  });
});
