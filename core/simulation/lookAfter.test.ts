import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { normalRate } from '../devices/flasher.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { ELEMENTS } from '../model/vehicle/netlistNames.ts';
import { fitmentOf } from './fitment.ts';
import { momentOf } from './litState.ts';
import { TurnCircuits } from './turnCircuits.ts';

/** The same moment of the third flash, by running the whole circuit in time from cold. */
function played(turns: TurnCircuits, emfVolts: number, seconds: number, out?: string): number {
  const { simulation, vehicle } = turns;
  const [circuit] = turnCircuits(vehicle);
  if (!circuit) throw new Error('nothing turns');
  const { controls } = momentOf({ emfVolts, sides: [circuit.side] });
  const about = turnCircuits(vehicle).map((each) => each.id);
  const time = simulation.inTime(controls, emfVolts, { about, fusesHold: true });
  if (out) time.run.setControls({ ...time.contacts(true), [`${out}.seated`]: false });
  const { flasher } = vehicle;
  const period = 60 / normalRate(flasher);
  const wire = (lit: boolean) => ({ ...time.contacts(lit), ...(out ? { [`${out}.seated`]: false } : {}) });
  for (let flash = 0; flash < 2; flash += 1) {
    time.run.advanceTo((flash + flasher.onFraction) * period);
    time.run.setControls(wire(false));
    time.run.advanceTo((flash + 1) * period);
    time.run.setControls(wire(true));
  }
  time.run.advanceTo(2 * period + seconds);
  return time.run.circuit.amps(ELEMENTS.wire(circuit.id));
}

describe('the moment a watcher looks', () => {
  const fleet = ['library-route-3', 'dial-a-ride-2', 'gritter-4', 'exhibition-trailer'];
  it.each(fleet)('is within two thousandths of the circuit run in time, in its third flash: %s', (id) => {
    const job = demoJob(id);
    for (const configuration of ['stock', 'leds', 'cured'] as const) {
      const turns = TurnCircuits.of(job.vehicle, fitmentOf(job, DEMO_SHELF, configuration));
      const [circuit] = turnCircuits(job.vehicle);
      if (!circuit) throw new Error('nothing turns');
      for (const share of [11.8, 14.4])
        for (const seconds of [0.06, 0.12, 0.3]) {
          const emfVolts = (share * job.vehicle.systemVolts) / 12;
          const look = (without?: string) =>
            turns.solve({
              emfVolts,
              sides: [circuit.side],
              lookSeconds: seconds,
              ...(without === undefined ? {} : { without }),
            }).totalAmps;
          expect(look() / played(turns, emfVolts, seconds)).toBeCloseTo(1, 2.4);
          const [first] = lampIdsOf(circuit);
          if (first && configuration === 'stock')
            expect(look(first) / played(turns, emfVolts, seconds, first)).toBeCloseTo(1, 2.4);
        }
    }
  });

  it('finds two P21W with a W5W still drawing two to four per cent more 0.12 s after switching on', () => {
    const job = demoJob('library-route-3');
    const turns = TurnCircuits.of(job.vehicle, fitmentOf({ ...job, chosen: {} }, DEMO_SHELF, 'stock'));
    for (const emfVolts of [11.8, 12.6, 14.4]) {
      const at = (lookSeconds?: number) => turns.solve({ emfVolts, sides: ['left'], lookSeconds }).totalAmps;
      expect(at(0.12) / at()).toBeGreaterThan(1.015);
      expect(at(0.12) / at()).toBeLessThan(1.045);
      // A second later nothing is left of it.
      expect(at(1) / at()).toBeCloseTo(1, 4);
    }
  });
});
