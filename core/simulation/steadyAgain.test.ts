import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { CONTROLS_OFF, type Controls } from './controls.ts';
import { fitmentOf } from './fitment.ts';
import { VehicleSimulation } from './vehicleSimulation.ts';

const LEFT: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };

describe('a moment that is asked for again', () => {
  it.each(['library-route-1', 'gritter-4', 'dial-a-ride-2'])(
    'is what a vehicle never asked before says, whatever was asked in between: %s',
    (id) => {
      const job = demoJob(id);
      const fitment = fitmentOf(job, DEMO_SHELF, 'stock');
      const fresh = () => new VehicleSimulation(job.vehicle, fitment);
      const turn = job.vehicle.circuits.find(({ kind, side }) => kind === 'turn' && side === 'left');
      if (!turn) throw new Error('nothing turns');
      const emfVolts = 1.05 * job.vehicle.systemVolts;
      const moment = { controls: LEFT, emfVolts };
      const [without] = lampIdsOf(turn);
      const asked = fresh();
      const amps = (of: VehicleSimulation) => of.at(moment, [turn.id]).wireAmps(turn.id);
      const first = amps(asked);
      expect(first).toBeGreaterThan(0.5);
      expect(amps(asked)).toBe(first);
      // What a watcher saw while filaments warm leaves the circuit in another state than the settled one.
      const warming = asked.lookAfter(0.05, moment, [turn.id]).wireAmps(turn.id);
      expect(warming).toBeGreaterThan(1.01 * first);
      expect(amps(asked)).toBeCloseTo(first, 6);
      asked.at({ ...moment, emfVolts: emfVolts - 1 }, [turn.id]);
      expect(amps(asked)).toBeCloseTo(first, 6);
      asked.at({ ...moment, ...(without === undefined ? {} : { without }) }, [turn.id]);
      asked.at({ ...moment, lit: false }, [turn.id]);
      expect(amps(asked)).toBeCloseTo(amps(fresh()), 6);
    },
  );
});
