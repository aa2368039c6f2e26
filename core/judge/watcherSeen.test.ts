import { describe, expect, it } from 'vitest';
import { demoJob, SIGNED } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { CellLook, Evidence, RateReading, SteadyProof } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { fittedNow } from '../record/fittedNow.ts';
import { reasonOf } from '../words/verdicts.ts';
import { Judge } from './judge.ts';
import { ownWatcherSeen, watcherSeen } from './watcherSeen.ts';

const van: Job = { ...demoJob('library-route-1'), evidence: [], cures: {}, vehicleCures: [] };
const left = van.vehicle.circuits.find(({ id }) => id === 'turn-left');
if (!left) throw new Error('the van turns');
const all = van.vehicle.circuits.map(({ id }) => id);
const base = {
  ...SIGNED,
  at: '2026-11-20T10:00:00.000Z',
  on: { lights: false, brake: false, engine: false },
  supply: { fromVolts: 12.6, toVolts: 12.6 },
  fitted: fittedNow(van, all, 'leds'),
};
const cell = (found: CellLook['found'], circuits = ['turn-left']): CellLook => ({
  ...base,
  id: 'cell',
  kind: 'cell',
  cell: 'turn-left',
  circuits,
  found,
});
const rate = (perMinute: number, change: Partial<RateReading> = {}): RateReading => ({
  ...base,
  id: 'rate',
  kind: 'rate',
  function: 'turn-left',
  quantity: { value: perMinute, unit: '/min', uncertainty: 1 },
  method: 'tapped',
  lampsLit: 'all',
  ...change,
});
const results = (...evidence: Evidence[]) => watcherSeen({ ...van, evidence }).map(({ result }) => result);

describe('what a watcher was seen to do', () => {
  it('is the same told as a rate, a cell of Prove or a trial', () => {
    expect(results(rate(176))).toEqual(['fast']);
    expect(results(cell([{ what: 'fast' }]))).toEqual(['fast']);
    expect(results(rate(88))).toEqual(['normal']);
    expect(results(cell([]))).toEqual(['normal']);
    expect(results(rate(50))).toEqual(['slow']);
    const proof: SteadyProof = { ...base, id: 'p', kind: 'proof', circuitId: 'stop', result: 'message' };
    expect(results(proof)).toEqual(['message']);
    expect(results({ ...proof, result: 'works' })).toEqual(['normal']);
    expect(results(cell([{ what: 'message', circuitId: 'stop' }], ['stop']))).toEqual(['message']);
  });

  it('is nothing where it cannot be told of whom it was: hazard, a dark lamp, a blown fuse, too close to tell', () => {
    expect(results(rate(176, { function: 'hazard' }))).toEqual([]);
    expect(results(cell([{ what: 'fast' }], ['turn-left', 'turn-right']))).toEqual([]);
    expect(results(cell([{ what: 'dark', lampId: 'rear-left' }, { what: 'fast' }]))).toEqual([]);
    expect(results(cell([{ what: 'blown', fuseId: 'turn-fuse' }]))).toEqual([]);
    expect(results(rate(120.5))).toEqual([]);
    expect(results(rate(176, { lampsLit: 'some' }))).toEqual([]);
    // What was fitted then nobody wrote down.
    expect(results(rate(176, { fitted: { ...base.fitted, lamps: {} } }))).toEqual([]);
  });

  it('is of the circuit alone, with what was across its own lamps', () => {
    const piece = { partId: null, ohms: 6, watts: 50, tolerance: 0.05 };
    const network = (lampId: string) => ({ lampId, connection: 'parallel' as const, pieces: [piece] });
    const fitted = { ...base.fitted, networks: [network('rear-left'), network('rear-right')] };
    const [seen] = watcherSeen({ ...van, evidence: [{ ...cell([]), fitted }] });
    expect(seen?.fitted.networks.map(({ lampId }) => lampId)).toEqual(['rear-left']);
    expect(Object.keys(seen?.fitted.lamps ?? {}).toSorted()).toEqual(lampIdsOf(left).toSorted());
  });

  it('ends with a cause that was mended: what was seen before tells of another vehicle', () => {
    const mended: Evidence = {
      ...SIGNED,
      id: 'c',
      at: base.at,
      kind: 'cause',
      fault: null,
      words: 'x',
      outcome: 'mended',
    };
    expect(results(cell([{ what: 'fast' }]), mended)).toEqual([]);
    expect(results(cell([{ what: 'fast' }]), mended, cell([]))).toEqual(['normal']);
  });

  it('with a relay in its place tells of that, and nothing of the vehicle’s own', () => {
    const relay = { kind: 'flasher-relay' as const, partId: 'relay-dipper-2', position: 0.5 };
    const evidence = [{ ...cell([]), fitted: { ...base.fitted, vehicleCures: [relay] } }];
    expect(watcherSeen({ ...van, evidence })).toHaveLength(1);
    expect(ownWatcherSeen({ ...van, evidence })).toEqual([]);
  });
});

describe('what is tapped in Prove teaches Cure', () => {
  it('a fast flash with just this fitted is too little load, whatever the band left open', () => {
    const twelve = structuredClone(van);
    for (const circuit of ['turn-left', 'turn-right']) {
      const lampId = circuit === 'turn-left' ? 'rear-left' : 'rear-right';
      const piece = { partId: null, ohms: 6, watts: 50, tolerance: 0.05 };
      twelve.cures[circuit] = {
        kind: 'load-resistor',
        networks: [{ lampId, connection: 'parallel', pieces: [piece] }],
      };
    }
    const state = (evidence: Evidence[]) =>
      Judge.of({ ...twelve, evidence }, DEMO_SHELF, 'cured').verdict().circuits[0]?.state;
    expect(state([])).toBe('either-way');
    const fitted = fittedNow(twelve, all, 'cured');
    expect(state([{ ...cell([{ what: 'fast' }]), fitted }])).toBe('falls-short');
    expect(state([{ ...rate(176), fitted }])).toBe('falls-short');
  });

  it('a message of a circuit nobody knows to be watched says that it is', () => {
    const open = structuredClone(van);
    const stop = open.vehicle.circuits.find(({ id }) => id === 'stop');
    if (!stop) throw new Error('the van stops');
    stop.watched = null;
    for (const lampId of lampIdsOf(stop)) open.chosen[lampId] = 'led-godwit-3r';
    const fitted = fittedNow(open, all, 'leds');
    const told = { ...cell([{ what: 'message', circuitId: 'stop' }], ['stop']), fitted };
    const judged = (evidence: Evidence[]) =>
      Judge.of({ ...open, evidence }, DEMO_SHELF, 'leds').circuit(stop);
    expect(judged([]).state).toBe('either-way');
    expect(judged([told]).state).toBe('falls-short');
    expect(reasonOf(open.vehicle, judged([told]))).toMatch(/^Seen with just this fitted: a bulb message/);
  });
});
