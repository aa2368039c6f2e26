// Longer than 300 lines: every figure of one run, in the order it is printed.
/**
 * Speed, as medians on this machine, each with its ratio to a plainer method in the same run.
 *   npm run bench
 */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { behavioursOf, candidatesFor } from '../../core/choose/candidates.ts';
import { ranked } from '../../core/choose/rank.ts';
import { Circuit } from '../../core/circuit/engine/circuit.ts';
import type { Netlist } from '../../core/circuit/engine/netlist.ts';
import { heldDrives, type SpiceDrive, spiceText } from '../../core/circuit/engine/spice.ts';
import { Transient } from '../../core/circuit/engine/transient.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import { readShelfCsv, shelfCsv } from '../../core/formats/shelfCsv.ts';
import { JobAnalysis } from '../../core/judge/analysis.ts';
import { Judge } from '../../core/judge/judge.ts';
import type { Configuration } from '../../core/model/cures.ts';
import { lampById } from '../../core/model/vehicle/lookUp.ts';
import { CONTACTS } from '../../core/model/vehicle/netlistNames.ts';
import { findEntries, referenceEntries } from '../../core/reference/entries.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { fitmentOf } from '../../core/simulation/fitment.ts';
import { TurnCircuits } from '../../core/simulation/turnCircuits.ts';
import { VehicleSimulation } from '../../core/simulation/vehicleSimulation.ts';
import { lampStrips } from '../../core/traces/lampStrips.ts';
import { traceLamps } from '../../core/traces/traceLamps.ts';
import { demoJob, firstTurn } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { faultRows, faultsInWords } from './faults.ts';
import { fittingRows, pinsInWords } from './fitting.ts';
import { fullShelfRows, heldInWords } from './fullShelf.ts';
import { kitRows } from './kits.ts';
import { BULK_SHELF, manyLampJob, THIRTY_LAMP_JOB as thirtyJob } from './large.ts';
import { quickRows, shareInWords } from './quickChecks.ts';
import { recordingRows } from './recordings.ts';
import { thirtyLamps } from './thirtyLamps.ts';

const van = demoJob('library-route-1');
const minibus = demoJob('dial-a-ride-2');
const gritter = demoJob('gritter-4');

const SQUARE = Matrix.rand(60, 60).add(Matrix.eye(60).mul(60));

/** Sixty unknowns solved densely, by a library: what machines, and their busy hours, are compared by. */
function yardstick(): void {
  for (let run = 0; run < 10; run += 1) new LuDecomposition(SQUARE);
}

/** How long one call takes, ms. */
interface Timing {
  median: number;
  /** the quickest tenth takes no longer: what the machine does when nobody else asks anything of it */
  quiet: number;
}

function timed(run: () => unknown, calls: number): Timing {
  for (let warm = 0; warm < Math.ceil(calls / 3); warm += 1) run();
  const times: number[] = [];
  for (let call = 0; call < calls; call += 1) {
    const begin = performance.now();
    run();
    times.push(performance.now() - begin);
  }
  const sorted = times.toSorted((a, b) => a - b);
  const at = (share: number) => sorted[Math.floor(calls * share)] ?? Number.NaN;
  return { median: at(0.5), quiet: at(0.1) };
}

const SECONDS = 4;
const SPICE_STEP = 2e-3;
/** As long as the steps here may get. */
const OUR_STEP = 5e-3;

/** A netlist that flashes for four seconds from cold, here and in ngspice. */
interface Flashing {
  netlist: Netlist;
  lit: Record<string, boolean>;
  dark: Record<string, boolean>;
  /** contacts that pulse */
  pulsing: readonly string[];
  periodSeconds: number;
}

function thirty(): Flashing {
  return {
    netlist: thirtyLamps(),
    lit: { flasher: true, lights: true },
    dark: { flasher: false, lights: true },
    pulsing: ['flasher'],
    periodSeconds: 60 / 88,
  };
}

/** Every lamp of the minibus in its netlist, hazard flashing, lights on. */
function minibusFlashing(configuration: Configuration): Flashing {
  const controls: Controls = { ...CONTROLS_OFF, key: 'on', hazard: true, lights: true };
  const simulation = new VehicleSimulation(minibus.vehicle, fitmentOf(minibus, DEMO_SHELF, configuration));
  return {
    netlist: simulation.netlist(controls, 12.6),
    lit: simulation.contacts(controls, true),
    dark: simulation.contacts(controls, false),
    pulsing: ['turn-left', 'turn-right'].flatMap((id) => [CONTACTS.circuit(id), CONTACTS.bright(id)]),
    periodSeconds: 60 / 86,
  };
}

function play({ netlist, lit, dark, periodSeconds }: Flashing): number {
  const run = new Transient(netlist, lit);
  for (let edge = 1; run.seconds < SECONDS; edge += 1) {
    run.advanceTo(Math.min(SECONDS, (edge * periodSeconds) / 2));
    run.setControls(edge % 2 === 0 ? lit : dark);
  }
  return run.steps;
}

function textOf({ netlist, lit, pulsing, periodSeconds }: Flashing, stepSeconds: number): string {
  const pulse: SpiceDrive = { kind: 'pulse', periodSeconds, onSeconds: periodSeconds / 2 };
  return spiceText({
    netlist,
    drives: { ...heldDrives(lit), ...Object.fromEntries(pulsing.map((name) => [name, pulse])) },
    analysis: { kind: 'tran', seconds: SECONDS, stepSeconds },
    volts: [{ name: 'supply', node: '30' }],
    amps: [],
  });
}

/** Options the exported text had before it was mended: another engine's tolerance, and its trapezoids. */
const BEFORE = '.options temp=27 tnom=27 reltol=1e-5 abstol=1e-10 vntol=1e-7';

/** The same text in ngspice as Debian ships it, loading included; the quickest of three. Null where there is none. */
function nativeMs(text: string): number | null {
  const directory = mkdtempSync(join(tmpdir(), 'vumble-bench-'));
  const path = join(directory, 'flashing.cir');
  writeFileSync(path, text);
  const times: number[] = [];
  try {
    for (let run = 0; run < 3; run += 1) {
      const begin = performance.now();
      const { error, status } = spawnSync('ngspice', ['-b', '-o', join(directory, 'out'), path], {
        stdio: 'ignore',
      });
      if (error || status !== 0) return null;
      times.push(performance.now() - begin);
    }
    return Math.min(...times);
  } finally {
    rmSync(directory, { recursive: true });
  }
}

/** The same in ngspice's compiled WebAssembly, loading excluded; the quickest of three. */
async function webAssemblyMs(text: string): Promise<number> {
  const { Simulation } = await import('eecircuit-engine');
  const simulation = new Simulation();
  await simulation.start();
  simulation.setNetList(text);
  const times: number[] = [];
  for (let run = 0; run < 3; run += 1) {
    const begin = performance.now();
    await simulation.runSim();
    times.push(performance.now() - begin);
  }
  return Math.min(...times);
}

let edits = 0;
/** The analysis after an edit that changes every current: the watts printed on the LEDs, the vehicle as it was. */
function edited(known: JobAnalysis): JobAnalysis {
  edits += 1;
  const shelf = DEMO_SHELF.map((part) =>
    part.kind === 'led' ? { ...part, watts: part.watts * (1 + 1e-5 * edits) } : part,
  );
  return new JobAnalysis(known.job, shelf, known);
}
const HAZARD: Controls = { ...CONTROLS_OFF, key: 'on', hazard: true };
const network = TurnCircuits.of(van.vehicle, fitmentOf(van, DEMO_SHELF, 'stock'));
let supply = 11;
const whole = new Circuit(thirtyLamps());

const rows: (readonly [what: string, time: Timing])[] = [
  ['yardstick: sixty unknowns, dense, ten times over, by a library', timed(yardstick, 60)],
  [
    'one steady state of a side',
    timed(() => {
      supply += 1e-4;
      return network.solve({ emfVolts: supply, sides: ['left'] });
    }, 400),
  ],
  [
    'steady state of thirty lamps',
    timed(() => {
      whole.setControls({ flasher: true, lights: true });
      whole.solveSteady();
    }, 60),
  ],
];
for (const [name, job] of [
  ['van, 22 lamps', van],
  ['minibus, 18 lamps', minibus],
  ['gritter, 24 V, 25 lamps', gritter],
] as const) {
  const known = new JobAnalysis(job, DEMO_SHELF);
  for (const configuration of ['leds', 'cured'] as const)
    rows.push([
      `verdict after an edit, ${name}, ${configuration}`,
      timed(() => new Judge(edited(known), configuration).verdict(), 100),
    ]);
}
rows.push(
  [
    'resistor search of one side, exact',
    timed(() => planResistors(van, DEMO_SHELF, firstTurn(van.vehicle)), 20),
  ],
  [
    'cures of the turn lamps, van: both circuits and hazard, search included',
    timed(() => compareTurnCures(van, DEMO_SHELF, firstTurn(van.vehicle)), 40),
  ],
  [
    'cures of the turn lamps, minibus: the same',
    timed(() => compareTurnCures(minibus, DEMO_SHELF, firstTurn(minibus.vehicle)), 40),
  ],
  ['traces, van, hazard', timed(() => traceLamps(van, DEMO_SHELF, 'stock', HAZARD, 12.6), 30)],
  [
    'traces, gritter, hazard and lights',
    timed(() => traceLamps(gritter, DEMO_SHELF, 'stock', { ...HAZARD, lights: true }, 25.2), 20),
  ],
  [
    'strips, gritter, 3 × 4 s of every lit lamp',
    timed(() => lampStrips(gritter, DEMO_SHELF, { ...HAZARD, lights: true }, 25.2), 7),
  ],
);
// A shelf of five hundred LEDs.
const bigShelf = BULK_SHELF;
const thirtyKnown = new JobAnalysis(thirtyJob, DEMO_SHELF);
const rear = lampById(van.vehicle, 'rear-left');
const fitting = candidatesFor(van, bigShelf, rear).filter((each) => each.fit.fits);
const behaved = new Map(behavioursOf(van, bigShelf, rear, fitting).map((each) => [each.partId, each]));
const table = shelfCsv(bigShelf);
const entries = referenceEntries();
rows.push(
  [
    `verdict after an edit, ${thirtyJob.vehicle.lamps.length} lamps, leds`,
    timed(() => new Judge(edited(thirtyKnown), 'leds').verdict(), 100),
  ],
  ...[80, 300].map((lamps) => {
    const job = manyLampJob(lamps);
    return [
      `verdict after an edit of the vehicle itself, ${lamps} lamps, leds`,
      timed(() => Judge.of({ ...job, vehicle: { ...job.vehicle } }, DEMO_SHELF, 'leds').verdict(), 5),
    ] as const;
  }),
  [
    `verdict after an edit of the vehicle itself, ${thirtyJob.vehicle.lamps.length} lamps, leds`,
    timed(
      () => Judge.of({ ...thirtyJob, vehicle: { ...thirtyJob.vehicle } }, DEMO_SHELF, 'leds').verdict(),
      60,
    ),
  ],
  [
    `choose: 500 parts against a lamp (${fitting.length} fit), sorted`,
    timed(() => ranked(van, rear, candidatesFor(van, bigShelf, rear), behaved), 20),
  ],
  [
    'choose: one part run in its circuit (worker)',
    timed(() => behavioursOf(van, bigShelf, rear, fitting.slice(0, 1)), 20),
  ],
  ['shelf: 500 parts read from a table', timed(() => readShelfCsv(table, bigShelf), 10)],
  ['find anything, by three letters', timed(() => findEntries(entries, 'p21'), 30)],
);
rows.push(...fullShelfRows.map(([what, run, calls]) => [what, timed(run, calls)] as const));
rows.push(...quickRows.map(([what, run, calls]) => [what, timed(run, calls)] as const));
rows.push(...faultRows.map(([what, run, calls]) => [what, timed(run, calls)] as const));
rows.push(...fittingRows.map(([what, run, calls]) => [what, timed(run, calls)] as const));
rows.push(...recordingRows.map(([what, run, calls]) => [what, timed(run, calls)] as const));
rows.push(...kitRows.map(([what, run, calls]) => [what, timed(run, calls)] as const));
const share = `${heldInWords()}\n${shareInWords()}\n${pinsInWords()}\n${faultsInWords()}`;
const against: string[] = [];
for (const [name, flashing] of [
  ['four seconds of thirty lamps', thirty()],
  ['four seconds of the minibus, stock', minibusFlashing('stock')],
  ['four seconds of the minibus, LEDs', minibusFlashing('leds')],
] as const) {
  const time = timed(() => play(flashing), 15);
  rows.push([name, time]);
  const ratio = (theirs: number | null) =>
    theirs === null
      ? 'not installed'
      : `${(theirs / time.median).toFixed(1)} times faster (${theirs.toFixed(0)} ms)`;
  const mended = textOf(flashing, SPICE_STEP);
  against.push(
    `${name}:`,
    `  native, as exported, steps to 2 ms        ${ratio(nativeMs(mended))}`,
    `  native, as exported, steps to 5 ms        ${ratio(nativeMs(textOf(flashing, OUR_STEP)))}`,
    `  native, the text before, steps to 2 ms    ${ratio(nativeMs(mended.replace(/^\.options.*$/m, BEFORE)))}`,
    `  WebAssembly, as exported, steps to 2 ms   ${ratio(await webAssemblyMs(mended))}`,
  );
}

const inMs = (ms: number) => `${ms.toFixed(3).padStart(9)} ms`;
console.log(`${'Warm; median, and quickest tenth.'.padEnd(72)}    median         quiet`);
for (const [what, { median, quiet }] of rows)
  console.log(`${what.padEnd(72)} ${inMs(median)} ${inMs(quiet)}`);
console.log(`\n${share}`);
console.log(
  `\nAgainst ngspice in the same run, both from cold; here steps of at most 5 ms with an error of 3 K a step.\nThe native one includes reading the text and starting the program; the WebAssembly figure flatters about three times.\n${against.join('\n')}`,
);
