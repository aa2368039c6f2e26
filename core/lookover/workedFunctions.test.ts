import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { workedFunctions } from './workedFunctions.ts';

const JOBS = ['library-route-3', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];

describe('functions to work', () => {
  it.each(JOBS)('reach every lamp of %s', (id) => {
    const { vehicle } = demoJob(id);
    const reached = new Set(workedFunctions(vehicle).flatMap((each) => each.lampIds));
    expect(vehicle.lamps.filter((lamp) => !reached.has(lamp.id)).map((lamp) => lamp.id)).toEqual([]);
  });

  it('are only those the vehicle has, and each lights only what it adds', () => {
    const moped = workedFunctions(demoJob('courier-moped-7').vehicle);
    expect(moped.map((each) => each.id)).toEqual(['lights', 'left', 'right', 'brake']);
    expect(moped.find((each) => each.id === 'left')?.lampIds).toContain('pilot');
    const minibus = workedFunctions(demoJob('dial-a-ride-2').vehicle);
    const brake = minibus.find((each) => each.id === 'brake')?.lampIds;
    // One filament for tail and stop: the brake brings it to full.
    expect(brake).toEqual(expect.arrayContaining(['stop-tail-left', 'stop-tail-right', 'third-brake']));
    expect(minibus.find((each) => each.id === 'fog')?.lampIds).toEqual(['rear-fog']);
  });
});
