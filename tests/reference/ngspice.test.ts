/**
 * ngspice, run as its WebAssembly build (eecircuit-engine) on the very text Vumble exports: feed voltages and
 * currents of every lamp of every demo vehicle, in its three configurations and many states of the driver's panel, and what
 * each flasher decides by. The table is printed.
 */
import { Simulation } from 'eecircuit-engine';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Circuit } from '../../core/circuit/engine/circuit.ts';
import { heldDrives, type SpiceDrive, spiceText, spiceVector } from '../../core/circuit/engine/spice.ts';
import { Transient } from '../../core/circuit/engine/transient.ts';
import type { Configuration } from '../../core/model/cures.ts';
import type { Job } from '../../core/model/job.ts';
import { CONTACTS, ELEMENTS, NODES } from '../../core/model/vehicle/netlistNames.ts';
import { contactsOf } from '../../core/simulation/contacts.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { fitmentOf } from '../../core/simulation/fitment.ts';
import { vehicleNetlist } from '../../core/simulation/vehicleNetlist.ts';
import { supplyVoltsFor } from '../../core/traces/supply.ts';
import { type VehicleReport, vehicleReport } from '../../core/traces/vehicleReport.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';
import { interpolate, type Vectors, worstOf } from './ngspice/compare.ts';
import { untilTheLook } from './ngspice/untilTheLook.ts';

const simulation = new Simulation();
const rows: string[] = [];

beforeAll(async () => {
  await simulation.start();
}, 60_000);
afterAll(() => {
  console.log(
    `ngspice against Vumble, largest difference of all quantities of a state, as a share of what is allowed\n(1 % or 1 mA, 1 mV; twice that in the middle of a flash):\n${rows.join('\n')}`,
  );
});

/** Runs a text and gives each vector by name. */
async function ngspice(text: string): Promise<Vectors> {
  simulation.setNetList(text);
  const result = await simulation.runSim();
  return new Map(result.data.map((vector) => [vector.name.toLowerCase(), vector.values as number[]]));
}

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];
const CONFIGURATIONS: readonly Configuration[] = ['stock', 'leds', 'cured'];
const STATES: readonly (readonly [name: string, controls: Partial<Controls>])[] = [
  ['all off', {}],
  ['key on', { key: 'on' }],
  ['running', { key: 'running' }],
  ['lights', { lights: true }],
  ['brake', { brake: true }],
  ['lights, brake', { key: 'running', lights: true, brake: true }],
  ['reverse', { key: 'on', reverse: true }],
  ['fog', { key: 'on', lights: true, fog: true }],
  ['doors', { doors: true }],
  ['dimmed', { lights: true, dimmed: true }],
  ['left', { key: 'on', turn: 'left' }],
  ['right, running', { key: 'running', turn: 'right' }],
  ['left, lights', { key: 'on', turn: 'left', lights: true }],
  ['right, brake', { key: 'on', turn: 'right', brake: true }],
  ['hazard', { hazard: true }],
  [
    'everything',
    { key: 'on', hazard: true, lights: true, brake: true, reverse: true, fog: true, doors: true },
  ],
];

describe.each(FLEET)('%s', (id) => {
  const job = demoJob(id);
  for (const configuration of CONFIGURATIONS) {
    it(`${configuration}: ${STATES.length} states agree within 1 % or 1 mA, 1 mV`, {
      timeout: 300_000,
    }, async () => {
      for (const [name, change] of STATES) {
        if (change.hazard && !job.vehicle.hazardSwitch) continue;
        const controls = { ...CONTROLS_OFF, ...change };
        const emf = supplyVoltsFor(job.vehicle, controls.key);
        const report = vehicleReport(job, DEMO_SHELF, configuration, controls, emf);
        const vectors = await ngspice(untilTheLook(report));
        const worst = worstOf(report, vectors);
        const decision = report.flashing ? decided(report) : '';
        rows.push(
          `  ${id.padEnd(19)} ${configuration.padEnd(6)} ${name.padEnd(15)} ${emf.toFixed(1)} V  ${worst.toFixed(4)}${decision}`,
        );
        expect(worst, `${id}, ${configuration}, ${name}`).toBeLessThan(1);
      }
    });
  }
});

/** The current a flasher decided by, in words. */
function decided({ flashing }: VehicleReport): string {
  if (!flashing || flashing.thresholdAmps === 0) return '';
  const { watchedAmps, thresholdAmps, missesLamp } = flashing;
  return `  decides by ${watchedAmps.toFixed(3)} A against ${thresholdAmps.toFixed(3)} A: ${missesLamp ? 'fast' : 'normal'}`;
}

describe('through the cold inrush', () => {
  const job = demoJob('library-route-1');
  const periodSeconds = 60 / 88;
  for (const configuration of CONFIGURATIONS) {
    it(`${configuration}: two flashes from cold agree at every moment`, { timeout: 60_000 }, async () => {
      const controls: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };
      const fitment = fitmentOf(job, DEMO_SHELF, configuration);
      const netlist = vehicleNetlist(job.vehicle, fitment, { emfVolts: 12.6, controls });
      const contacts = (lit: boolean) => contactsOf(job.vehicle, fitment, controls, lit);
      const pulse: SpiceDrive = { kind: 'pulse', periodSeconds, onSeconds: periodSeconds / 2 };
      const nodes = [NODES.flasherOut, NODES.feed('front-left'), NODES.feed('rear-left')];
      const meters = [ELEMENTS.wire('turn-left'), ELEMENTS.lead('rear-left'), ELEMENTS.lead('repeater-left')];
      const vectors = await ngspice(
        spiceText({
          netlist,
          drives: { ...heldDrives(contacts(true)), [CONTACTS.flasher]: pulse },
          analysis: { kind: 'tran', seconds: 2 * periodSeconds, stepSeconds: 1e-3 },
          volts: nodes.map((node) => ({ name: node, node })),
          amps: meters.map((elementId) => ({ name: elementId, elementId })),
        }),
      );
      const times = vectors.get('time') ?? [];
      const run = new Transient(netlist, contacts(true));
      let worst = 0;
      const compare = (ours: number, vector: string, seconds: number) => {
        const theirs = interpolate(times, vectors.get(vector) ?? [], seconds);
        worst = Math.max(worst, Math.abs(ours - theirs) / Math.max(2e-3, 0.01 * Math.abs(theirs)));
      };
      const look = (start: number, moments: readonly number[]) => {
        for (const moment of moments) {
          run.advanceTo(start + moment);
          for (const node of nodes)
            compare(run.circuit.nodeVolts(node), spiceVector(netlist, { node }), start + moment);
          for (const meter of meters)
            compare(run.circuit.amps(meter), spiceVector(netlist, { meter }), start + moment);
        }
      };
      look(0, [0.002, 0.005, 0.01, 0.02, 0.04, 0.08, 0.12, 0.2, 0.3]);
      run.advanceTo(periodSeconds / 2);
      run.setControls(contacts(false));
      run.advanceTo(periodSeconds);
      run.setControls(contacts(true));
      look(periodSeconds, [0.005, 0.02, 0.08, 0.12, 0.3]);
      rows.push(
        `  library-route-1     ${configuration.padEnd(6)} through the inrush 12.6 V  ${worst.toFixed(4)}`,
      );
      expect(worst).toBeLessThan(1);
    });
  }
});

describe('the moped’s thermal flasher', () => {
  it('settles at the same rate within 1 %, on its own lamps and wiring', { timeout: 60_000 }, async () => {
    const job: Job = demoJob('courier-moped-7');
    for (const volts of [12.6, 14.4]) {
      const controls: Controls = { ...CONTROLS_OFF, key: 'on', turn: 'left' };
      const report = vehicleReport(job, DEMO_SHELF, 'stock', controls, volts);
      const vectors = await ngspice(report.spice);
      const vector = /\.meas tran v_lamp_terminal FIND (\S+) /.exec(report.spice)?.[1] ?? '';
      const times = vectors.get('time') ?? [];
      const seen = vectors.get(vector) ?? [];
      const rises = times.filter((_, at) => (seen[at] ?? 0) > 6 && (seen[at - 1] ?? 12) <= 6).slice(-4);
      const theirs = (60 * (rises.length - 1)) / ((rises.at(-1) ?? 0) - (rises[0] ?? 0));
      const ours = report.flashing?.ratePerMinute ?? 0;
      rows.push(
        `  courier-moped-7     stock  thermal flasher ${volts.toFixed(1)} V  Vumble ${ours.toFixed(2)}, ngspice ${theirs.toFixed(2)} a minute`,
      );
      expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.01);
    }
  });
});

describe('a pulsed output, pulse by pulse', () => {
  it('heats its filament as the share of time says: tail level of the minibus', {
    timeout: 120_000,
  }, async () => {
    const job = demoJob('dial-a-ride-2');
    const controls: Controls = { ...CONTROLS_OFF, lights: true };
    const fitment = fitmentOf(job, DEMO_SHELF, 'stock');
    const circuits = new Set(['tail-left']);
    const averaged = new Circuit(
      vehicleNetlist(job.vehicle, fitment, { emfVolts: 12.6, controls, circuits }),
    );
    const contacts = contactsOf(job.vehicle, fitment, controls, true);
    averaged.setControls(contacts);
    averaged.solveSteady();
    // The same circuit with no share of time in it, its output really switched 200 times a second.
    const bright: Controls = { ...controls, brake: true };
    const netlist = vehicleNetlist(job.vehicle, fitment, { emfVolts: 12.6, controls: bright, circuits });
    const period = 1 / 200;
    const text = spiceText({
      netlist,
      drives: {
        ...heldDrives(contacts),
        [CONTACTS.circuit('tail-left')]: { kind: 'pulse', periodSeconds: period, onSeconds: 0.22 * period },
      },
      analysis: { kind: 'tran', seconds: 1, stepSeconds: 2e-4 },
      volts: [{ name: 'feed', node: NODES.feed('stop-tail-left') }],
      amps: [{ name: 'lead', elementId: ELEMENTS.lead('stop-tail-left') }],
    });
    const vectors = await ngspice(text);
    const times = vectors.get('time') ?? [];
    const amps = vectors.get(spiceVector(netlist, { meter: 'lead' })) ?? [];
    // In the middle of the last whole pulse.
    const theirs = interpolate(times, amps, 199 * period + 0.11 * period);
    const ours = averaged.amps(ELEMENTS.lead('stop-tail-left'));
    rows.push(
      `  dial-a-ride-2       stock  tail in a pulse  Vumble ${ours.toFixed(4)}, ngspice ${theirs.toFixed(4)} A`,
    );
    expect(Math.abs(ours / theirs - 1)).toBeLessThan(0.01);
  });
});
