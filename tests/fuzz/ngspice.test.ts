/**
 * A sample of the random jobs against ngspice (its WebAssembly build), flashing ones included, on the very text
 * Vumble exports: every feed's volts and every circuit's amperes within 1 %.
 */
import { Simulation } from 'eecircuit-engine';
import fc from 'fast-check';
import { beforeAll, expect, it } from 'vitest';
import { vehicleReport } from '../../core/traces/vehicleReport.ts';
import { worstOf } from '../reference/ngspice/compare.ts';
import { untilTheLook } from '../reference/ngspice/untilTheLook.ts';
import { randomCase } from './randomJob.ts';

const SAMPLE = Number(process.env.VUMBLE_FUZZ_SPICE ?? 12);
const simulation = new Simulation();
beforeAll(() => simulation.start(), 60_000);

it(`${SAMPLE} random jobs agree with ngspice within 1 %`, { timeout: 1_800_000 }, async () => {
  const rows: string[] = [];
  let flashing = 0;
  for (const drawn of fc.sample(randomCase, { numRuns: SAMPLE, seed: 20261126 })) {
    const { job, shelf, configuration, controls, emfVolts } = drawn;
    const report = vehicleReport(job, shelf, configuration, controls, emfVolts);
    simulation.setNetList(untilTheLook(report));
    const { data } = await simulation.runSim();
    const vectors = new Map(data.map((vector) => [vector.name.toLowerCase(), vector.values as number[]]));
    const worst = worstOf(report, vectors);
    if (report.flashing) flashing += 1;
    rows.push(
      `  ${job.id.padEnd(20)} ${configuration.padEnd(6)} ${report.flashing ? 'flashing' : 'steady  '} ${worst.toFixed(4)}`,
    );
    expect(worst, rows.at(-1)).toBeLessThan(1);
  }
  console.log(`random jobs against ngspice, as a share of what is allowed:\n${rows.join('\n')}`);
  expect(flashing).toBeGreaterThan(SAMPLE / 4);
});
