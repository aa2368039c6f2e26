/**
 * ngspice, run as its WebAssembly build (eecircuit-engine) on the very text Vumble exports: node voltages and
 * branch currents of the demo vehicle in every state, steady and flashing. The table is printed.
 */
import { Simulation } from 'eecircuit-engine';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Circuit } from '../../core/circuit/engine/circuit.ts';
import type { Netlist } from '../../core/circuit/engine/netlist.ts';
import { heldDrives, type SpiceDrive, spiceText, spiceVector } from '../../core/circuit/engine/spice.ts';
import { Transient } from '../../core/circuit/engine/transient.ts';
import type { Job, Stage } from '../../core/model/job.ts';
import { fitmentOf } from '../../core/vehicle/fitment.ts';
import {
  RELAY_CONTACT,
  TURN_ELEMENTS,
  TURN_NODES,
  turnControls,
  turnNetlist,
} from '../../core/vehicle/turnNetlist.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const simulation = new Simulation();
const finished = demoJobs()[2] as Job;
const lampIds = finished.vehicle.lamps.map((lamp) => lamp.id);
const rows: string[] = [];

beforeAll(async () => {
  await simulation.start();
}, 60_000);
afterAll(() => {
  console.log(`ngspice against Vumble, largest difference of each state:\n${rows.join('\n')}`);
});

/** Runs a text and gives each vector by name. */
async function ngspice(text: string): Promise<Map<string, readonly number[]>> {
  simulation.setNetList(text);
  const result = await simulation.runSim();
  return new Map(result.data.map((vector) => [vector.name.toLowerCase(), vector.values as number[]]));
}

const quantities = (netlist: Netlist) => ({
  volts: [
    { name: 'lamp terminal', node: TURN_NODES.lampTerminal },
    ...lampIds.map((id) => ({ name: `${id} feed`, node: TURN_NODES.feedOf(id) })),
  ],
  amps: [
    { name: 'relay', elementId: TURN_ELEMENTS.relay },
    ...lampIds.map((id) => ({ name: id, elementId: TURN_ELEMENTS.leadOf(id) })),
  ],
  netlist,
});

const STATES = [
  { name: 'all off', sides: [] },
  { name: 'left', sides: ['left'] },
  { name: 'right', sides: ['right'] },
  { name: 'hazard', sides: ['left', 'right'] },
] as const;
const STAGES: readonly Stage[] = ['stock', 'leds', 'cured'];

describe('steady states', () => {
  for (const stage of STAGES) {
    for (const emf of [11.8, 12.6, 14.4]) {
      for (const { name, sides } of STATES) {
        it(`${stage}, ${name}, ${emf} V agree within 1 % or 1 mA, 1 mV`, async () => {
          const netlist = turnNetlist(finished.vehicle, fitmentOf(finished, DEMO_SHELF, stage), emf);
          const controls = turnControls(finished.vehicle, sides, sides.length > 0);
          const asked = quantities(netlist);
          const vectors = await ngspice(
            spiceText({ ...asked, drives: heldDrives(controls), analysis: { kind: 'op' } }),
          );
          const circuit = new Circuit(netlist);
          circuit.setControls(controls);
          circuit.solveSteady();
          let worst = 0;
          const compare = (ours: number, vector: string) => {
            const theirs = vectors.get(vector)?.at(-1);
            if (theirs === undefined) throw new Error(`ngspice gave no ${vector}`);
            const allowed = Math.max(1e-3, 0.01 * Math.abs(theirs));
            worst = Math.max(worst, Math.abs(ours - theirs) / allowed);
          };
          for (const { node } of asked.volts)
            compare(circuit.nodeVolts(node), spiceVector(netlist, { node }));
          for (const { name: meter, elementId } of asked.amps)
            compare(circuit.amps(elementId), spiceVector(netlist, { meter }));
          rows.push(
            `  ${stage.padEnd(6)} ${name.padEnd(8)} ${emf.toFixed(1)} V   ${worst.toFixed(3)} of what is allowed`,
          );
          expect(worst).toBeLessThan(1);
        });
      }
    }
  }
});

describe('flashing', () => {
  const periodSeconds = 60 / 88;
  for (const stage of STAGES) {
    it(`${stage}: two flashes from cold agree at every moment, inrush included`, async () => {
      const netlist = turnNetlist(finished.vehicle, fitmentOf(finished, DEMO_SHELF, stage), 12.6);
      const pulse: SpiceDrive = { kind: 'pulse', periodSeconds, onSeconds: periodSeconds / 2 };
      const asked = quantities(netlist);
      const vectors = await ngspice(
        spiceText({
          ...asked,
          drives: { ...heldDrives(turnControls(finished.vehicle, ['left'], true)), [RELAY_CONTACT]: pulse },
          analysis: { kind: 'tran', seconds: 2 * periodSeconds, stepSeconds: 1e-3 },
        }),
      );
      const times = vectors.get('time') ?? [];
      const at = (vector: string, seconds: number) => interpolate(times, vectors.get(vector) ?? [], seconds);
      const controls = (on: boolean) => turnControls(finished.vehicle, ['left'], on);
      const run = new Transient(netlist, controls(true));
      let worst = 0;
      for (const moment of [0.002, 0.005, 0.01, 0.02, 0.04, 0.08, 0.12, 0.2, 0.3]) {
        run.advanceTo(moment);
        worst = Math.max(worst, ...differences(run, netlist, asked, at, moment));
      }
      run.advanceTo(periodSeconds / 2);
      run.setControls(controls(false));
      run.advanceTo(periodSeconds);
      run.setControls(controls(true));
      for (const moment of [0.005, 0.02, 0.08, 0.12, 0.3]) {
        run.advanceTo(periodSeconds + moment);
        worst = Math.max(worst, ...differences(run, netlist, asked, at, periodSeconds + moment));
      }
      rows.push(`  ${stage.padEnd(6)} flashing left, 12.6 V   ${worst.toFixed(3)} of what is allowed`);
      expect(worst).toBeLessThan(1);
    });
  }
});

function* differences(
  run: Transient,
  netlist: Netlist,
  asked: ReturnType<typeof quantities>,
  at: (vector: string, seconds: number) => number,
  seconds: number,
): Generator<number> {
  const share = (ours: number, theirs: number) =>
    Math.abs(ours - theirs) / Math.max(2e-3, 0.01 * Math.abs(theirs));
  for (const { node } of asked.volts)
    yield share(run.circuit.nodeVolts(node), at(spiceVector(netlist, { node }), seconds));
  for (const { name, elementId } of asked.amps)
    yield share(run.circuit.amps(elementId), at(spiceVector(netlist, { meter: name }), seconds));
}

function interpolate(times: readonly number[], values: readonly number[], seconds: number): number {
  const after = times.findIndex((time) => time >= seconds);
  const [t0, t1] = [times[after - 1] ?? 0, times[after] ?? 0];
  const [v0, v1] = [values[after - 1] ?? 0, values[after] ?? 0];
  return v0 + ((v1 - v0) * (seconds - t0)) / (t1 - t0);
}
