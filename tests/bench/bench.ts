/**
 * Speed, as medians on this machine, each with its ratio to a plainer method in the same run.
 *   npm run bench
 */
import { Circuit } from '../../core/circuit/engine/circuit.ts';
import { spiceText } from '../../core/circuit/engine/spice.ts';
import { Transient } from '../../core/circuit/engine/transient.ts';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import type { Job } from '../../core/model/job.ts';
import { rehearse } from '../../core/rehearsal/rehearse.ts';
import { fitmentOf } from '../../core/vehicle/fitment.ts';
import { TurnNetwork } from '../../core/vehicle/turnNetwork.ts';
import { TurnJudge } from '../../core/verdict/judge.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { thirtyLamps } from './thirtyLamps.ts';

const job = demoJobs()[2] as Job;
const circuit = job.vehicle.circuits[0] as Job['vehicle']['circuits'][number];
const network = new TurnNetwork(job.vehicle, fitmentOf(job, DEMO_SHELF, 'stock'));

/** Median time of one call, ms. */
function median(run: () => unknown, calls: number): number {
  for (let warm = 0; warm < Math.ceil(calls / 5); warm += 1) run();
  const times: number[] = [];
  for (let call = 0; call < calls; call += 1) {
    const begin = performance.now();
    run();
    times.push(performance.now() - begin);
  }
  return times.toSorted((a, b) => a - b)[Math.floor(calls / 2)] ?? Number.NaN;
}

const SECONDS = 4;
const PERIOD = 60 / 88;
const vehicle = thirtyLamps();

/** Four seconds of thirty lamps, twelve of them flashing; from cold. */
function fourSeconds(): number {
  const run = new Transient(vehicle, { flasher: true, lights: true });
  for (let edge = 1; run.seconds < SECONDS; edge += 1) {
    run.advanceTo(Math.min(SECONDS, (edge * PERIOD) / 2));
    run.setControls({ flasher: edge % 2 === 0, lights: true });
  }
  return run.steps;
}

/** The same in ngspice, its compiled WebAssembly, loading excluded. */
async function ngspiceSeconds(): Promise<number> {
  const { Simulation } = await import('eecircuit-engine');
  const simulation = new Simulation();
  await simulation.start();
  simulation.setNetList(
    spiceText({
      netlist: vehicle,
      drives: {
        flasher: { kind: 'pulse', periodSeconds: PERIOD, onSeconds: PERIOD / 2 },
        lights: { kind: 'held', on: true },
      },
      analysis: { kind: 'tran', seconds: SECONDS, stepSeconds: 2e-3 },
      volts: [{ name: 'supply', node: '30' }],
      amps: [],
    }),
  );
  const begin = performance.now();
  await simulation.runSim();
  return performance.now() - begin;
}

const ngspiceMs = await ngspiceSeconds();
const rows: readonly [what: string, ms: number, plain: number | null][] = [
  ['one steady state of a side', median(() => network.solve({ emfVolts: 12.6, sides: ['left'] }), 400), null],
  [
    'verdict of the whole vehicle, one state',
    median(() => new TurnJudge(job, DEMO_SHELF, 'cured').verdict(), 60),
    null,
  ],
  ['resistor search of one side, exact', median(() => planResistors(job, DEMO_SHELF, circuit), 20), null],
  [
    'rehearsal, hazard, six filaments',
    median(() => rehearse(job, DEMO_SHELF, 'stock', { key: 'on', turn: null, hazard: true }, 12.6), 30),
    null,
  ],
];
const whole = new Circuit(vehicle);
const engineRows: typeof rows = [
  [
    'steady state of thirty lamps',
    median(() => {
      whole.setControls({ flasher: true, lights: true });
      whole.solveSteady();
    }, 60),
    null,
  ],
  ['four seconds of thirty lamps (against ngspice)', median(fourSeconds, 9), ngspiceMs],
];
for (const [what, ms, plain] of [...rows, ...engineRows]) {
  const ratio = plain === null ? '' : `  ${(plain / ms).toFixed(1)} times faster than ${plain.toFixed(2)} ms`;
  console.log(`${what.padEnd(50)} ${ms.toFixed(3).padStart(9)} ms${ratio}`);
}
