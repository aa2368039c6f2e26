import { describe, expect, it } from 'vitest';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import type { Job } from '../model/job.ts';
import { CONTROLS_OFF } from '../simulation/controls.ts';
import { batteryAmps, energyOf, USE_CASES } from './energy.ts';
import { fuseRows } from './fuses.ts';
import { bothSimulations, ledgerOf, sumOf } from './ledger.ts';

const jobs = demoJobs();
const finished = jobs.find(({ handOver }) => handOver.filedAt !== null) as Job;

describe('the ledger', () => {
  it('adds up line by line', () => {
    for (const job of jobs) {
      const { rows } = ledgerOf(job, DEMO_SHELF);
      const sum = sumOf(rows);
      expect(sum.stockWatts).toBeCloseTo(
        rows.reduce((all, row) => all + row.stockWatts, 0),
        9,
      );
      const own = rows.filter(({ level }) => level === 'own');
      expect(own.length).toBe(job.vehicle.circuits.reduce((all, { feeds }) => all + feeds.length, 0));
      for (const row of rows) expect(Number.isFinite(row.plannedWatts)).toBe(true);
    }
  });

  it('has stock bulbs near what is printed on them', () => {
    for (const { stockRated, stockWatts, name } of ledgerOf(finished, DEMO_SHELF).rows)
      if (stockRated !== null && stockRated > 1) {
        // A P21W takes about 26 W at 13.5 V; wiring takes some of it off.
        expect(stockWatts / stockRated, name).toBeGreaterThan(0.75);
        expect(stockWatts / stockRated, name).toBeLessThan(1.4);
      }
  });

  it('gives the heat of the resistors as volts squared over ohms', () => {
    // The finished van has 6 Ω across its turn lamps: 13 V or so across 6 Ω are 28 W (Ohm and Joule, by hand).
    const heated = ledgerOf(finished, DEMO_SHELF).rows.filter(({ resistorWatts }) => resistorWatts > 1);
    expect(heated.length).toBeGreaterThan(0);
    for (const { resistorWatts } of heated) {
      expect(resistorWatts).toBeGreaterThan(12.2 ** 2 / 6.3);
      expect(resistorWatts).toBeLessThan(13.5 ** 2 / 5.7);
    }
  });

  it('takes an hour parked with lights from the battery as its current says', () => {
    const { stock } = bothSimulations(finished, DEMO_SHELF);
    const parked = USE_CASES.find(({ id }) => id === 'parked');
    const energy = parked && energyOf(stock, parked);
    const amps = batteryAmps(
      stock,
      { ...CONTROLS_OFF, lights: true },
      12.6 * (finished.vehicle.systemVolts / 12),
    );
    expect(energy?.ampHours).toBeCloseTo(amps, 9);
    expect(energy?.wattHours).toBeCloseTo(amps * 12.6 * (finished.vehicle.systemVolts / 12), 6);
  });

  it('two hours at night are two hours, and ten minutes of hazard ten', () => {
    const hours = (id: string) =>
      USE_CASES.find((each) => each.id === id)?.states.reduce((sum, state) => sum + state.hours, 0);
    expect(hours('night-drive')).toBeCloseTo(2, 9);
    expect(hours('hazard')).toBeCloseTo(1 / 6, 9);
  });

  it('has every fuse that feeds something, before and after', () => {
    for (const job of jobs) {
      const rows = fuseRows(bothSimulations(job, DEMO_SHELF));
      expect(rows.length).toBeGreaterThan(0);
      for (const { stockAmps, thinnestMm2, carriesAmps, name } of rows) {
        expect(stockAmps, name).toBeGreaterThanOrEqual(0);
        expect(carriesAmps > 0, `${name} ${thinnestMm2}`).toBe(true);
      }
    }
  });
});
