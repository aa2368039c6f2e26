/** A controller that drives each corner from an output of its own, as most do since about 2005 (common practice). */
import { describe, expect, it } from 'vitest';
import { CORNER_SHELF, cornerCar, cornerJob } from '../../demo/forTests.ts';
import type { Job } from '../model/job.ts';
import { newJob } from '../model/newJob.ts';
import { CONTROLS_OFF } from '../simulation/controls.ts';
import { traceLamps } from '../traces/traceLamps.ts';
import { Judge } from './judge.ts';

const REAR = ['rear-turn-left', 'rear-turn-right'];
const ALL = [...REAR, 'front-turn-left', 'front-turn-right'];
const told = (job: Job) =>
  Object.fromEntries(
    Judge.of(job, CORNER_SHELF, 'cured')
      .verdict()
      .circuits.map(({ circuitId, watched }) => [circuitId, watched]),
  );
const rateOf = (job: Job, turn: 'left' | 'right') =>
  traceLamps(job, CORNER_SHELF, 'cured', { ...CONTROLS_OFF, key: 'running', turn }, 13.5).ratePerMinute;

describe('outputs a corner', () => {
  it('are circuits of their own, the front one with the repeater', () => {
    const { circuits, flasher } = cornerCar('corner');
    expect(
      circuits
        .filter(({ kind }) => kind === 'turn')
        .map(({ id, name, feeds }) => [id, name, feeds.map(({ lampId }) => lampId)]),
    ).toEqual([
      ['turn-left', 'Left front turn', ['front-turn-left', 'repeater-left']],
      ['turn-left-rear', 'Left rear turn', ['rear-turn-left']],
      ['turn-right', 'Right front turn', ['front-turn-right', 'repeater-right']],
      ['turn-right-rear', 'Right rear turn', ['rear-turn-right']],
    ]);
    const outputs = flasher.kind === 'controller' ? flasher.outputs : [];
    expect(outputs.map(({ circuitId }) => circuitId)).toEqual(
      expect.arrayContaining(['turn-left', 'turn-left-rear', 'turn-right', 'turn-right-rear']),
    );
  });

  it('a resistor at the rear does nothing for the front: it falls short, and the whole side hurries', () => {
    // Both resistors of a side at its rear lamp.
    const job = cornerJob('corner', REAR, 2.7);
    expect(told(job)).toEqual({
      'turn-left': 'falls-short',
      'turn-left-rear': 'holds',
      'turn-right': 'falls-short',
      'turn-right-rear': 'holds',
    });
    const { circuits, hazard, state } = Judge.of(job, CORNER_SHELF, 'cured').verdict();
    expect(state).not.toBe('holds');
    expect(hazard?.state).toBe('falls-short');
    for (const { rate } of circuits) expect(rate).toEqual({ low: 172, high: 172 });
    // The circuit run in time, which knows nothing of verdicts.
    expect(rateOf(job, 'left')).toBeCloseTo(172, 3);
  });

  it('with one at each corner it holds, in the judge as in time', () => {
    const job = cornerJob('corner', ALL, 4.7);
    expect(new Set(Object.values(told(job)))).toEqual(new Set(['holds']));
    expect(rateOf(job, 'right')).toBeCloseTo(86, 3);
  });

  it('the same resistors at the rear hold where one output drives the side', () => {
    const job = cornerJob('side', REAR, 2.7);
    expect(told(job)).toEqual({ 'turn-left': 'holds', 'turn-right': 'holds' });
    expect(rateOf(job, 'left')).toBeCloseTo(86, 3);
  });

  it('the stock vehicle flashes as it should on each of them', () => {
    for (const outputs of ['side', 'corner', 'lamp'] as const) {
      const job = newJob('j', 'j', cornerCar(outputs), '2026-01-01T00:00:00.000Z');
      expect(Judge.of(job, CORNER_SHELF, 'stock').verdict().state, outputs).toBe('holds');
      expect(rateOf(job, 'left'), outputs).toBeCloseTo(86, 3);
    }
  });

  it('one output is guarded by its own limit, whatever the others carry', () => {
    const job = cornerJob('corner', ALL, 4.7);
    if (job.vehicle.flasher.kind !== 'controller') throw new Error('no controller');
    const rear = job.vehicle.flasher.outputs.find(({ circuitId }) => circuitId === 'turn-left-rear');
    const front = job.vehicle.flasher.outputs.find(({ circuitId }) => circuitId === 'turn-left');
    if (!rear || !front) throw new Error('no output');
    // The front carries the repeater besides: more than the rear is allowed, and allowed itself.
    rear.limitAmps = 3.8;
    front.limitAmps = 5;
    const { hazard } = Judge.of(job, CORNER_SHELF, 'cured').verdict();
    expect(hazard?.limits.find(({ kind }) => kind === 'output')).toMatchObject({ limit: 3.8, ok: true });
    rear.limitAmps = 3;
    expect(
      Judge.of(job, CORNER_SHELF, 'cured')
        .verdict()
        .hazard?.limits.find(({ kind }) => kind === 'output'),
    ).toMatchObject({ limit: 3, ok: false });
  });
});
