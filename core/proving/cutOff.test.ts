import { describe, expect, it } from 'vitest';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { caseNamed } from '../../tests/fixtures/cases/caseNamed.ts';
import { FUSE_HOLD } from '../circuit/engine/netlist.ts';
import { JobAnalysis } from '../judge/analysis.ts';
import type { Configuration } from '../model/cures.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { fuseHeatAmps } from '../simulation/fuseHeat.ts';
import { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import { supplyVoltsFor } from '../traces/supply.ts';
import { traceLamps } from '../traces/traceLamps.ts';
import { type Cell, cellsOf } from './cells.ts';
import { CellPlayer } from './player.ts';

/** What the vehicle, played in time, does to its fuses in a cell: each that blows at once, or after a while. */
function blownInTime(job: Job, shelf: Shelf, configuration: Configuration, { controls }: Cell): boolean {
  const volts = supplyVoltsFor(job.vehicle, controls.key);
  return traceLamps(job, shelf, configuration, controls, volts).events.some(({ kind }) => kind === 'fuse');
}

/** Whether a fuse is heated so nearly as far as it bears that what its lamps draw as they warm, flash by flash, decides. */
function isNear(simulation: VehicleSimulation, { controls }: Cell): boolean {
  const emfVolts = supplyVoltsFor(simulation.vehicle, controls.key);
  return simulation.vehicle.fuses.some(({ id, ratedAmps }) => {
    const share = fuseHeatAmps(simulation, id, { controls, emfVolts }) / (FUSE_HOLD * ratedAmps);
    return Math.abs(share - 1) < 0.08;
  });
}

function agreed(job: Job, shelf: Shelf, configuration: Configuration): { blown: number; whole: number } {
  const player = new CellPlayer(new JobAnalysis(job, shelf), configuration);
  const count = { blown: 0, whole: 0 };
  const simulation = new VehicleSimulation(job.vehicle, player.fitment);
  for (const cell of cellsOf(job, player.fitment).filter(({ condition }) => condition !== 'asleep')) {
    if (isNear(simulation, cell)) continue;
    const inCell = player.asFitted(cell).blown.size > 0;
    expect(inCell, `${job.title}, ${cell.name}`).toBe(blownInTime(job, shelf, configuration, cell));
    count[inCell ? 'blown' : 'whole'] += 1;
  }
  return count;
}

/** A job whose every fuse is rated for another share of what it was. */
function withFuses(job: Job, share: number): Job {
  const fuses = job.vehicle.fuses.map((fuse) => ({ ...fuse, ratedAmps: fuse.ratedAmps * share }));
  return { ...job, vehicle: { ...job.vehicle, fuses } };
}

describe('a fuse', () => {
  it('on a pulsed feed is heated by the mean square of what it carries, in the play as in the cell', () => {
    const { job, shelf } = caseNamed('fuse-on-pulsed-feed');
    expect(agreed(job, shelf, 'stock').whole).toBeGreaterThan(5);
    expect(agreed(job, shelf, 'cured').blown).toBe(0);
  });

  it('that melts only by what goes on in the dark of a flash melts in the cell too, and one it spares does not', () => {
    const counts = ['library-route-3', 'dial-a-ride-2', 'gritter-4', 'exhibition-trailer'].flatMap((id) =>
      [0.15, 0.25, 0.4].map((share) => agreed(withFuses(demoJob(id), share), DEMO_SHELF, 'stock')),
    );
    expect(counts.reduce((sum, { blown }) => sum + blown, 0)).toBeGreaterThan(10);
    expect(counts.reduce((sum, { whole }) => sum + whole, 0)).toBeGreaterThan(10);
  });
});
