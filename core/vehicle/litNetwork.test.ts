import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { turnCircuits } from '../model/vehicle/vehicle.ts';
import { fitmentOf } from './fitment.ts';
import { companiesOf, litCircuits } from './litNetwork.ts';
import { ALONE } from './litState.ts';
import { TurnNetwork } from './turnNetwork.ts';

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
      const companies = companiesOf(vehicleOf(id));
      expect(companies[0]).toEqual(ALONE);
      const all = companies.at(-1);
      for (const company of companies) {
        expect(company.lights && !all?.lights).toBe(false);
        expect(company.brake && !all?.brake).toBe(false);
      }
    }
  });

  it('is nothing where neither bulb nor earth is shared', () => {
    const vehicle = vehicleOf('gritter-4');
    expect(companiesOf(vehicle)).toHaveLength(4);
    for (const lamp of vehicle.lamps) delete lamp.earthPoint;
    expect(companiesOf({ ...vehicle })).toEqual([ALONE]);
  });

  it('brings in what it is said to bring in, and no more', () => {
    const vehicle = vehicleOf('gritter-4');
    const [left] = turnCircuits(vehicle);
    if (!left) throw new Error('the gritter turns');
    const on = (lights: boolean, brake: boolean) => litCircuits(vehicle, [left.id], { lights, brake });
    expect(on(false, false).has('stop')).toBe(false);
    expect(on(false, true).has('stop')).toBe(true);
    expect(on(true, false).has('stop')).toBe(false);
    for (const id of [...on(true, false), ...on(false, true)]) expect(on(true, true).has(id)).toBe(true);
  });

  it('takes from the turn feed through the earth they share, and gives it back when it goes off', () => {
    const job = demoJob('exhibition-trailer');
    const network = new TurnNetwork(job.vehicle, fitmentOf(job, DEMO_SHELF, 'stock'));
    const at = (brake: boolean) => network.solve({ emfVolts: 12.6, sides: ['left'], brake }).watchedAmps;
    const first = at(false);
    expect(at(true)).toBeLessThan(first);
    expect(at(false)).toBe(first);
  });
});
