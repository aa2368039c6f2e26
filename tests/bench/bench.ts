/**
 * Speed, as medians on this machine, each with its ratio to a plainer method in the same run.
 *   npm run bench
 */
import { behavioursOf, candidatesFor, ranked } from '../../core/choose/candidates.ts';
import { Circuit } from '../../core/circuit/engine/circuit.ts';
import type { Netlist } from '../../core/circuit/engine/netlist.ts';
import { heldDrives, type SpiceDrive, spiceText } from '../../core/circuit/engine/spice.ts';
import { Transient } from '../../core/circuit/engine/transient.ts';
import { compareTurnCures } from '../../core/cures/compare/compare.ts';
import { planResistors } from '../../core/cures/loadResistor/plan.ts';
import { readShelfCsv, shelfCsv } from '../../core/formats/shelfCsv.ts';
import { Judge } from '../../core/judge/judge.ts';
import type { Job, Stage } from '../../core/model/job.ts';
import { lampById } from '../../core/model/vehicle/vehicle.ts';
import { findEntries, referenceEntries } from '../../core/reference/entries.ts';
import { lampStrips } from '../../core/rehearsal/lampStrips.ts';
import { rehearse } from '../../core/rehearsal/rehearse.ts';
import { contactsOf } from '../../core/simulation/contacts.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { fitmentOf } from '../../core/simulation/fitment.ts';
import { CONTACTS } from '../../core/simulation/places.ts';
import { TurnCircuits } from '../../core/simulation/turnCircuits.ts';
import { vehicleNetlist } from '../../core/simulation/vehicleNetlist.ts';
import { demoJob, firstTurn } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { BULK_SHELF, THIRTY_LAMP_JOB as thirtyJob } from './large.ts';
import { thirtyLamps } from './thirtyLamps.ts';

const van = demoJob('library-route-1');
const minibus = demoJob('dial-a-ride-2');
const gritter = demoJob('gritter-4');

/** Median time of one call, ms. */
function median(run: () => unknown, calls: number): number {
  for (let warm = 0; warm < Math.ceil(calls / 3); warm += 1) run();
  const times: number[] = [];
  for (let call = 0; call < calls; call += 1) {
    const begin = performance.now();
    run();
    times.push(performance.now() - begin);
  }
  return times.toSorted((a, b) => a - b)[Math.floor(calls / 2)] ?? Number.NaN;
}

const SECONDS = 4;
const SPICE_STEP = 2e-3;

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
function minibusFlashing(stage: Stage): Flashing {
  const controls: Controls = { ...CONTROLS_OFF, key: 'on', hazard: true, lights: true };
  const fitment = fitmentOf(minibus, DEMO_SHELF, stage);
  return {
    netlist: vehicleNetlist(minibus.vehicle, fitment, { emfVolts: 12.6, controls }),
    lit: contactsOf(minibus.vehicle, fitment, controls, true),
    dark: contactsOf(minibus.vehicle, fitment, controls, false),
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

/** The same in ngspice, its compiled WebAssembly, loading excluded; the quickest of three. */
async function ngspiceMs({ netlist, lit, pulsing, periodSeconds }: Flashing): Promise<number> {
  const { Simulation } = await import('eecircuit-engine');
  const simulation = new Simulation();
  await simulation.start();
  const pulse: SpiceDrive = { kind: 'pulse', periodSeconds, onSeconds: periodSeconds / 2 };
  simulation.setNetList(
    spiceText({
      netlist,
      drives: { ...heldDrives(lit), ...Object.fromEntries(pulsing.map((name) => [name, pulse])) },
      analysis: { kind: 'tran', seconds: SECONDS, stepSeconds: SPICE_STEP },
      volts: [{ name: 'supply', node: '30' }],
      amps: [],
    }),
  );
  const times: number[] = [];
  for (let run = 0; run < 3; run += 1) {
    const begin = performance.now();
    await simulation.runSim();
    times.push(performance.now() - begin);
  }
  return Math.min(...times);
}

/** The same job after an edit: new objects where something changed, the vehicle as it was. */
const edited = (job: Job): Job => ({ ...job, chosen: { ...job.chosen } });
const HAZARD: Controls = { ...CONTROLS_OFF, key: 'on', hazard: true };
const network = TurnCircuits.of(van.vehicle, fitmentOf(van, DEMO_SHELF, 'stock'));
let supply = 11;
const whole = new Circuit(thirtyLamps());

const rows: (readonly [what: string, ms: number, plain: number | null])[] = [
  [
    'one steady state of a side',
    median(() => {
      supply += 1e-4;
      return network.solve({ emfVolts: supply, sides: ['left'] });
    }, 400),
    null,
  ],
  [
    'steady state of thirty lamps',
    median(() => {
      whole.setControls({ flasher: true, lights: true });
      whole.solveSteady();
    }, 60),
    null,
  ],
];
for (const [name, job] of [
  ['van, 22 lamps', van],
  ['minibus, 18 lamps', minibus],
  ['gritter, 24 V, 25 lamps', gritter],
] as const) {
  for (const stage of ['leds', 'cured'] as const)
    rows.push([
      `verdict after an edit, ${name}, ${stage}`,
      median(() => Judge.of(edited(job), DEMO_SHELF, stage).verdict(), 60),
      null,
    ]);
}
rows.push(
  [
    'resistor search of one side, exact',
    median(() => planResistors(van, DEMO_SHELF, firstTurn(van.vehicle)), 20),
    null,
  ],
  [
    'cures of the turn lamps, van: both circuits and hazard, search included',
    median(() => compareTurnCures(van, DEMO_SHELF, firstTurn(van.vehicle)), 12),
    null,
  ],
  [
    'cures of the turn lamps, minibus: the same',
    median(() => compareTurnCures(minibus, DEMO_SHELF, firstTurn(minibus.vehicle)), 12),
    null,
  ],
  ['rehearsal, van, hazard', median(() => rehearse(van, DEMO_SHELF, 'stock', HAZARD, 12.6), 30), null],
  [
    'rehearsal, gritter, hazard and lights',
    median(() => rehearse(gritter, DEMO_SHELF, 'stock', { ...HAZARD, lights: true }, 25.2), 20),
    null,
  ],
  [
    'strips, gritter, 3 × 4 s of every lit lamp',
    median(() => lampStrips(gritter, DEMO_SHELF, { ...HAZARD, lights: true }, 25.2), 7),
    null,
  ],
);
// A shelf of five hundred LEDs.
const bigShelf = BULK_SHELF;
const rear = lampById(van.vehicle, 'rear-left');
const fitting = candidatesFor(van, bigShelf, rear).filter((each) => each.fit.fits);
const behaved = new Map(behavioursOf(van, bigShelf, rear, fitting).map((each) => [each.partId, each]));
const table = shelfCsv(bigShelf);
const entries = referenceEntries();
rows.push(
  [
    `verdict after an edit, ${thirtyJob.vehicle.lamps.length} lamps, leds`,
    median(() => Judge.of(edited(thirtyJob), DEMO_SHELF, 'leds').verdict(), 60),
    null,
  ],
  [
    `choose: 500 parts against a lamp (${fitting.length} fit), sorted`,
    median(() => ranked(van, rear, candidatesFor(van, bigShelf, rear), behaved), 20),
    null,
  ],
  [
    'choose: one part run in its circuit (worker)',
    median(() => behavioursOf(van, bigShelf, rear, fitting.slice(0, 1)), 20),
    null,
  ],
  ['shelf: 500 parts read from a table', median(() => readShelfCsv(table, bigShelf), 10), null],
  ['find anything, by three letters', median(() => findEntries(entries, 'p21'), 30), null],
);
for (const [name, flashing] of [
  ['four seconds of thirty lamps', thirty()],
  ['four seconds of the minibus, stock', minibusFlashing('stock')],
  ['four seconds of the minibus, LEDs', minibusFlashing('leds')],
] as const)
  rows.push([name, median(() => play(flashing), 9), await ngspiceMs(flashing)]);

console.log(
  `Medians. Against ngspice (WebAssembly, same run): steps of at most ${SPICE_STEP * 1000} ms there; here at most 5 ms with an error of 3 K a step; loading excluded, both from cold.`,
);
for (const [what, ms, plain] of rows) {
  const ratio =
    plain === null ? '' : `  ${(plain / ms).toFixed(1)} times faster than ngspice, ${plain.toFixed(0)} ms`;
  console.log(`${what.padEnd(50)} ${ms.toFixed(3).padStart(9)} ms${ratio}`);
}
