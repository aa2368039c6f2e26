import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { type DeviationKey, deviationKey, deviationOf } from '../model/deviationKey.ts';
import type { Evidence } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { circuitStanding } from '../record/standing.ts';
import { fitmentOf } from '../simulation/fitment.ts';
import { cellsOf } from './cells.ts';
import { cellLook, cellsTold, toldOf } from './toldOf.ts';

const job: Job = { ...demoJob('dial-a-ride-2'), evidence: [] };
const cells = cellsOf(job, fitmentOf(job, DEMO_SHELF, 'cured'));
const cell = (id: string) => {
  const found = cells.find((each) => each.id === id);
  if (!found) throw new Error(id);
  return found;
};
const at = (minute: number) => `2026-11-20T10:${String(minute).padStart(2, '0')}:00.000Z`;
const seen = (evidence: readonly Evidence[]): Job => ({ ...job, evidence: [...evidence] });
const basis = (circuitId: string, configuration: 'stock' | 'cured' = 'cured') => ({
  ...SIGNED,
  id: `seen-${circuitId}`,
  at: at(1),
  on: { lights: false, brake: false, engine: false },
  supply: null,
  fitted: fittedNow(job, [circuitId], configuration),
});

describe('deviationKey', () => {
  it('says every kind of deviation in words that come back', () => {
    for (const key of [
      'rear-left dark',
      'flash fast',
      'message third',
      'odd third',
      'rear-left unfinished',
    ]) {
      const found = deviationOf(key);
      expect(found && deviationKey(found)).toBe(key);
    }
    expect(deviationOf('flash purple')).toBeNull();
  });
});

describe('what a record tells', () => {
  it('is each cell with all that was wrong in it, and the circuits it was on with', () => {
    const look = {
      ...SIGNED,
      ...cellLook(job, cell('turn-left-lights'), ['rear-left dark', 'flash fast'], 'cured'),
    };
    const told = seen([{ ...look, id: 'a', at: at(1) }]);
    expect(toldOf(told, cells).cells).toEqual([
      expect.objectContaining({ cellId: 'turn-left-lights', seen: ['flash fast', 'rear-left dark'] }),
    ]);
    expect(look.circuits).toContain('turn-left');
    expect(circuitStanding(told, 'tail-left').amiss).toBeNull();
  });

  it('is rates, looks and trials of older records too, each in its cell', () => {
    const rate = {
      ...basis('turn-left'),
      kind: 'rate' as const,
      function: 'turn-left' as const,
      quantity: { value: 178, unit: '/min' as const, uncertainty: 2 },
      method: 'tapped' as const,
      lampsLit: 'all' as const,
    };
    const of = (each: Evidence) =>
      cellsTold(seen([each]), cells).map(({ cellId, seen: what }) => [cellId, what]);
    expect(of(rate)).toEqual([['turn-left', ['flash fast']]]);
    expect(of({ ...rate, quantity: { value: 88, unit: '/min', uncertainty: 2 } })).toEqual([
      ['turn-left', []],
    ]);
    expect(of({ ...rate, quantity: { value: 88, unit: '/min', uncertainty: 2 }, lampsLit: 'some' })).toEqual(
      [],
    );
    expect(of({ ...rate, lampsLit: 'none' })).toEqual([['turn-left', ['flash none']]]);
    const lit = { ...rate, on: { lights: true, brake: false, engine: false } };
    expect(of(lit)).toEqual([['turn-left-lights', ['flash fast']]]);
    const proof = {
      ...basis('third'),
      kind: 'proof' as const,
      circuitId: 'third',
      result: 'message' as const,
    };
    expect(of(proof)).toEqual([['third', ['message third']]]);
    expect(of({ ...proof, result: 'works' })).toEqual([['third', []]]);
    expect(of({ ...proof, result: 'glows' })).toEqual([['off', ['third-brake glows']]]);
    const trial = { ...basis('third'), kind: 'trial' as const, circuitId: 'third', result: 'dark' as const };
    expect(of(trial)).toEqual([['third', ['third-brake dark']]]);
  });

  it('is of one visit: what was fine a day before the newest may have come since', () => {
    const look = (id: string, when: string, keys: DeviationKey[]): Evidence => ({
      ...SIGNED,
      ...cellLook(job, cell('turn-left'), keys, 'cured'),
      id,
      at: when,
    });
    const before = look('a', '2026-11-10T10:00:00.000Z', []);
    const now = look('b', '2026-11-20T10:00:00.000Z', ['flash none']);
    expect(toldOf(seen([before, now]), cells).cells.map((each) => each.seen)).toEqual([['flash none']]);
    expect(cellsTold(seen([before, now]), cells).length).toBe(2);
    const soon = look('c', '2026-11-20T12:00:00.000Z', []);
    expect(toldOf(seen([now, soon]), cells).cells.length).toBe(2);
  });

  it('is in the order it was told, whatever the clock said: what was told last stands', () => {
    const look = (id: string, when: string, keys: DeviationKey[]): Evidence => ({
      ...SIGNED,
      ...cellLook(job, cell('turn-left'), keys, 'cured'),
      id,
      at: when,
    });
    const dark = look('b', '2026-11-20T10:00:00.000Z', ['rear-left dark']);
    const nowMs = Date.parse('2026-11-20T10:01:00.000Z');
    for (const ahead of [
      '2026-11-20T11:00:00.000Z',
      '2027-11-20T10:00:00.000Z',
      '2099-01-01T00:00:00.000Z',
    ]) {
      const record = seen([look('a', ahead, []), dark]);
      const told = toldOf(record, cells, 'cured', nowMs);
      expect(told.cells.map((each) => each.seen)).toEqual([[], ['rear-left dark']]);
      expect(circuitStanding(record, 'third')).toMatchObject({ proved: false, amiss: null });
    }
    // The clock right first, a year ahead for one clue, right again: nothing of the visit is lost.
    const clue: Evidence = {
      ...SIGNED,
      kind: 'clue',
      id: 'c',
      at: '2027-11-20T10:00:00.000Z',
      clue: 'wiggle',
      lampId: null,
    };
    const mixed = toldOf(seen([look('a', at(1), ['flash none']), clue, look('d', at(3), [])]), cells);
    expect([mixed.cells.length, mixed.clues.length]).toEqual([2, 1]);
    // A mending told with the clock ahead is not undone by a look that came after it.
    const mended: Evidence = {
      ...SIGNED,
      kind: 'cause',
      id: 'm',
      at: '2027-11-20T10:00:00.000Z',
      fault: null,
      words: 'It',
      outcome: 'mended',
    };
    expect(toldOf(seen([look('a', at(1), ['flash none']), mended, dark]), cells).cells.length).toBe(1);
  });

  it('is only what was seen with what is fitted now, since the last cause was mended', () => {
    const look = (id: string, minute: number): Evidence => ({
      ...SIGNED,
      ...cellLook(job, cell('turn-left'), ['rear-left dark'], 'cured'),
      id,
      at: at(minute),
    });
    const stock = { ...look('stock', 2), fitted: fittedNow(job, ['turn-left'], 'stock') } as Evidence;
    expect(cellsTold(seen([stock]), cells)).toEqual([]);
    const other = { ...job, chosen: { ...job.chosen, 'rear-left': null }, evidence: [look('a', 1)] };
    expect(cellsTold(other, cells)).toEqual([]);
    const mended: Evidence = {
      ...SIGNED,
      kind: 'cause',
      id: 'm',
      at: at(5),
      fault: null,
      words: 'It',
      outcome: 'mended',
    };
    const clue: Evidence = {
      ...SIGNED,
      kind: 'clue',
      id: 'c',
      at: at(6),
      clue: 'wiggle',
      lampId: 'rear-left',
    };
    const told = toldOf(seen([look('a', 1), mended, clue, look('b', 7)]), cells);
    expect(told.cells.length).toBe(1);
    expect(told.clues).toEqual([{ clue: 'wiggle', lampId: 'rear-left' }]);
    const accepted: Evidence = { ...mended, outcome: 'accepted' } as Evidence;
    expect(toldOf(seen([look('a', 1), accepted]), cells).cells.length).toBe(1);
  });
});
