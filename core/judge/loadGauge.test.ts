import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import { Judge } from './judge.ts';
import { gaugeRow, loadGauge } from './loadGauge.ts';

const rowOf = (id: string, configuration: 'stock' | 'leds' | 'cured') => {
  const job = demoJob(id);
  const [circuit] = turnCircuits(job.vehicle);
  if (!circuit) throw new Error('nothing turns');
  return gaugeRow(Judge.of(job, DEMO_SHELF, configuration), circuit, 12.6);
};

describe('a row of the load gauge', () => {
  it('is as long as its label says, on every vehicle in every configuration, the pilot included', () => {
    for (const job of demoJobs())
      for (const configuration of ['stock', 'leds', 'cured'] as const) {
        const [circuit] = turnCircuits(job.vehicle);
        if (!circuit) throw new Error('nothing turns');
        const volts = 1.05 * job.vehicle.systemVolts;
        const { blocks, verdict } = gaugeRow(Judge.of(job, DEMO_SHELF, configuration), circuit, volts);
        const drawn = blocks.reduce((sum, block) => sum + block.amps, 0);
        expect(drawn / verdict.amps.nominal, `${job.id} ${configuration}`).toBeCloseTo(1, 2);
      }
  });

  it('draws the pilot of the moped, which passes the watcher too', () => {
    expect(rowOf('courier-moped-7', 'stock').blocks.at(-1)).toMatchObject({ kind: 'pilot' });
  });

  it('stands against the band that applies to it: with the controller set to LED its badge and its band agree', () => {
    const stock = rowOf('dial-a-ride-2', 'stock').verdict;
    const cured = rowOf('dial-a-ride-2', 'cured').verdict;
    expect(stock.band.highAmps).toBeGreaterThan(1);
    // Thirty milliamperes a lamp (typical).
    expect(cured.band.highAmps).toBeCloseTo(0.09, 9);
    expect(cured.state).toBe('holds');
    expect(cured.amps.low).toBeGreaterThan(cured.band.highAmps);
  });

  it('of a relay that does not watch begins at its least load', () => {
    const { band } = rowOf('courier-moped-7', 'cured').verdict;
    expect(band.lowAmps).toBe(band.highAmps);
    expect(band.highAmps).toBeLessThan(0.1);
  });

  it('is asked for whole: as it is, with its LEDs, and with its cure only where it has one', () => {
    const job = demoJob('dial-a-ride-2');
    const [circuit] = turnCircuits(job.vehicle);
    if (!circuit) throw new Error('nothing turns');
    const asked = (of: typeof job) =>
      loadGauge(of, DEMO_SHELF, circuit.id, 12.6).map(({ configuration }) => configuration);
    expect(asked(job)).toEqual(['stock', 'leds', 'cured']);
    expect(asked({ ...job, cures: {}, vehicleCures: [] })).toEqual(['stock', 'leds']);
    expect(() => loadGauge(job, DEMO_SHELF, 'none', 12.6)).toThrow(RangeError);
  });
});
