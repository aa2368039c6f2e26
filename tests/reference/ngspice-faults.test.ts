/**
 * ngspice on the text Vumble exports with something wrong put into the vehicle: one fault of every kind that each demo
 * vehicle can have, in a steady state, and those that a flash shows in a flash.
 */
import { Simulation } from 'eecircuit-engine';
import { beforeAll, describe, expect, it } from 'vitest';
import { isFelt } from '../../core/faults/kinds.ts';
import { type PossibleFault, possibleFaults } from '../../core/faults/library.ts';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { fitmentOf } from '../../core/simulation/fitment.ts';
import { supplyVoltsFor } from '../../core/traces/supply.ts';
import { vehicleReport } from '../../core/traces/vehicleReport.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { type Vectors, worstOf } from './ngspice/compare.ts';
import { untilTheLook } from './ngspice/untilTheLook.ts';

const simulation = new Simulation();
beforeAll(async () => {
  await simulation.start();
}, 60_000);

async function ngspice(text: string): Promise<Vectors> {
  simulation.setNetList(text);
  const result = await simulation.runSim();
  return new Map(result.data.map((vector) => [vector.name.toLowerCase(), vector.values as number[]]));
}

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];
const STEADY: Controls = { ...CONTROLS_OFF, key: 'on', lights: true, brake: true, reverse: true, fog: true };
const LEFT: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left', lights: true };
const IN_A_FLASH = new Set(['tap-open', 'sides-bridged', 'half-turned']);

/** One of every kind a vehicle can have in a configuration, the first of its list. */
function oneOfEach(job: Job, configuration: Configuration): PossibleFault[] {
  const kinds = new Map<string, PossibleFault>();
  for (const each of possibleFaults(job, fitmentOf(job, DEMO_SHELF, configuration)))
    if (isFelt(each.fault) && !kinds.has(each.fault.kind)) kinds.set(each.fault.kind, each);
  return [...kinds.values()];
}

async function apart(job: Job, configuration: Configuration, controls: Controls, fault: PossibleFault) {
  const emf = supplyVoltsFor(job.vehicle, controls.key);
  const report = vehicleReport(job, DEMO_SHELF, configuration, controls, emf, [fault.fault]);
  return worstOf(report, await ngspice(untilTheLook(report)));
}

describe.each(FLEET)('%s', (id) => {
  const job = demoJob(id);
  const cured = oneOfEach(job, 'cured');
  const stock = oneOfEach(job, 'stock').filter(
    ({ fault }) => fault.kind === 'filament-open' || !cured.some((each) => each.fault.kind === fault.kind),
  );

  it('steady: every kind of fault agrees within 1 % or 1 mA, 1 mV', { timeout: 300_000 }, async () => {
    expect(cured.length).toBeGreaterThan(9);
    for (const [configuration, faults] of [
      ['cured', cured],
      ['stock', stock],
    ] as const)
      for (const fault of faults)
        expect(await apart(job, configuration, STEADY, fault), `${configuration} ${fault.id}`).toBeLessThan(
          1,
        );
  });

  it('in a flash: what a flash shows agrees where the relay looks', { timeout: 300_000 }, async () => {
    for (const fault of cured.filter((each) => IN_A_FLASH.has(each.fault.kind)))
      expect(await apart(job, 'cured', LEFT, fault), fault.id).toBeLessThan(1);
  });
});
