import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { fitThermal, setFlasher } from '../presets/flashers.ts';
import { CONTROLS_OFF, type Controls } from '../simulation/controls.ts';
import { traceLamps } from '../traces/traceLamps.ts';
import { JobAnalysis } from './analysis.ts';
import { Judge } from './judge.ts';

/** Two ways to one rate, a heat balance and the circuit run in time, agree so far. */
const APART = 0.035;

// A bimetal goes by what heats it: both sides together heat it four times as fast, and it flashes faster.
describe.each(['library-route-1', 'gritter-4'])('a thermal flasher on %s', (id) => {
  const job = demoJob(id);
  setFlasher(job.vehicle, 'thermal');
  fitThermal(job.vehicle);

  it.each(['stock', 'cured'] as const)('flashes %s as it is played, a side and hazard', (configuration) => {
    const verdict = new Judge(new JobAnalysis(job, DEMO_SHELF), configuration).verdict();
    const [side] = verdict.circuits;
    const played = (change: Partial<Controls>) =>
      [11.5, 12.6, 14.4].map((volts) => {
        const emf = (volts * job.vehicle.systemVolts) / 12;
        const controls = { ...CONTROLS_OFF, key: 'on' as const, ...change };
        return traceLamps(job, DEMO_SHELF, configuration, controls, emf).ratePerMinute ?? 0;
      });
    for (const [rates, told] of [
      [played({ turn: 'left' }), side?.rate],
      [played({ hazard: true }), verdict.hazard?.rate],
    ] as const) {
      if (!told) throw new Error('it flashes');
      // The judge asks one supply below and none above these.
      for (const rate of rates.slice(1)) {
        expect(rate).toBeGreaterThan(told.low * (1 - APART));
        expect(rate).toBeLessThan(told.high * (1 + APART));
      }
      expect(Math.abs(told.high / Math.max(...rates) - 1)).toBeLessThan(APART);
    }
    expect(verdict.hazard?.rate.low).toBeGreaterThan((side?.rate?.high ?? 0) * 1.1);
  });
});
