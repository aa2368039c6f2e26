import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED, trialAt } from '../../demo/forTests.ts';
import type { Evidence } from '../model/evidence.ts';
import { standing } from '../model/seen.ts';
import { mark } from './tell.ts';
import { withVehicleLog } from './vehicleLog.ts';

const van = { ...demoJob('library-route-3'), evidence: [] as Evidence[] };
const at = (minute: number) => `2026-11-29T10:${String(minute).padStart(2, '0')}:00.000Z`;
const told = (id: string, minute: number, circuitId = 'turn-left') => ({
  ...trialAt(circuitId, 'normal', 12.6),
  vehicleId: van.vehicle.id,
  id,
  at: at(minute),
});
const having = (...evidence: Evidence[]) => ({ ...van, evidence });
const ids = (job: { evidence: readonly Evidence[] }) => standing(job).map(({ id }) => id);

describe('the log of a vehicle', () => {
  it('is read by each of its jobs, in the order it was told in', () => {
    const first = having(told('a', 1), told('c', 5));
    const second = having(told('b', 3), told('d', 7));
    expect(ids(withVehicleLog(first, [second]))).toEqual(['a', 'b', 'c', 'd']);
    expect(ids(withVehicleLog(second, [first]))).toEqual(['a', 'b', 'c', 'd']);
  });

  it('has each record once, however often it was copied', () => {
    const first = having(told('a', 1));
    expect(withVehicleLog(first, [having(told('a', 1)), having(told('a', 1))])).toBe(first);
  });

  it('ends with what any of its jobs took back', () => {
    const first = having(told('a', 1));
    const back = mark(first, 'a', false, { id: 'm', at: at(9), device: null });
    expect(ids(withVehicleLog(first, [having(back)]))).toEqual([]);
    expect(ids(withVehicleLog(having(back), [first]))).toEqual([]);
  });

  it('is of that vehicle alone, and of what this drawing of it has', () => {
    const other = { ...having(told('x', 1)), vehicle: { ...van.vehicle, id: 'another' } };
    const prior = { ...told('y', 2), vehicleId: 'another' };
    const gone = told('z', 3, 'no-such-circuit');
    const clue: Evidence = {
      ...SIGNED,
      ...told('q', 4),
      kind: 'clue',
      clue: 'wiggle',
      lampId: 'gone',
    } as never;
    expect(ids(withVehicleLog(van, [other, having(prior, gone, clue)]))).toEqual([]);
  });
});
