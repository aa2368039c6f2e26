import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { Bearing } from './bearing.ts';
import { CONTROLS_OFF } from './controls.ts';
import { fitmentOf } from './fitment.ts';
import { ALONE, companiesOf } from './litState.ts';
import { TurnCircuits } from './turnCircuits.ts';

const companies = (vehicle: Vehicle) => companiesOf(vehicle, new Bearing(vehicle));
const vehicleOf = (id: string) => structuredClone(demoJob(id).vehicle);

describe('what else is on', () => {
  it('begins with nothing and ends with all of it', () => {
    for (const id of [
      'library-route-3',
      'dial-a-ride-2',
      'gritter-4',
      'courier-moped-7',
      'exhibition-trailer',
    ]) {
      const found = companies(vehicleOf(id));
      expect(found[0]).toEqual(ALONE);
      const all = found.at(-1);
      for (const company of found) {
        expect(company.lights && !all?.lights).toBe(false);
        expect(company.brake && !all?.brake).toBe(false);
      }
    }
  });

  it('is nothing where neither bulb nor earth is shared', () => {
    const vehicle = vehicleOf('gritter-4');
    expect(companies(vehicle)).toHaveLength(4);
    for (const lamp of vehicle.lamps) delete lamp.earthPoint;
    expect(companies({ ...vehicle })).toEqual([ALONE]);
  });

  it('brings in what it is said to bring in, and no more', () => {
    const vehicle = vehicleOf('gritter-4');
    const [left] = turnCircuits(vehicle);
    if (!left) throw new Error('the gritter turns');
    const bearing = new Bearing(vehicle);
    const on = (lights: boolean, brake: boolean) =>
      new Set(bearing.on([left.id], { ...CONTROLS_OFF, key: 'on', turn: 'left', lights, brake }));
    expect(on(false, false).has('stop')).toBe(false);
    expect(on(false, true).has('stop')).toBe(true);
    expect(on(true, false).has('stop')).toBe(false);
    for (const id of [...on(true, false), ...on(false, true)]) expect(on(true, true).has(id)).toBe(true);
  });

  it('takes from the turn feed through the earth they share, and gives it back when it goes off', () => {
    const job = demoJob('exhibition-trailer');
    const network = TurnCircuits.of(job.vehicle, fitmentOf(job, DEMO_SHELF, 'stock'));
    const at = (brake: boolean) => network.solve({ emfVolts: 12.6, sides: ['left'], brake }).watchedAmps;
    const first = at(false);
    expect(at(true)).toBeLessThan(first);
    expect(at(false)).toBe(first);
  });
});
