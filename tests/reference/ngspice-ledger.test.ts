/**
 * The ledger's watts against powers worked out by ngspice on the same netlist: of every lamp of every demo vehicle, stock and
 * as planned, each function on by itself with its lamps lit, volts across the lamp times the current through it.
 */
import { Simulation } from 'eecircuit-engine';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { heldDrives, spiceText, spiceVector } from '../../core/circuit/engine/spice.ts';
import { bothSimulations, ledgerOf } from '../../core/ledger/ledger.ts';
import type { Job } from '../../core/model/job.ts';
import type { Circuit } from '../../core/model/vehicle/circuit.ts';
import { ELEMENTS, NODES } from '../../core/model/vehicle/netlistNames.ts';
import { controlsFor } from '../../core/simulation/moment.ts';
import type { VehicleSimulation } from '../../core/simulation/vehicleSimulation.ts';
import { demoJob } from '../../demo/forTests.ts';
import { DEMO_SHELF } from '../../demo/shelf.ts';

const simulation = new Simulation();
const told: string[] = [];

beforeAll(async () => {
  await simulation.start();
}, 60_000);
afterAll(() => console.log(`ledger against ngspice, worst lamp of each vehicle:\n${told.join('\n')}`));

async function ngspice(text: string): Promise<ReadonlyMap<string, number>> {
  simulation.setNetList(text);
  const { data } = await simulation.runSim();
  return new Map(data.map(({ name, values }) => [name.toLowerCase(), values[0] as number]));
}

/** Share of the time a pulsed output is on, read off the vehicle's own data. */
function share({ vehicle }: Job, circuit: Circuit, volts: number): number {
  const { flasher } = vehicle;
  const output =
    flasher.kind === 'controller' ? flasher.outputs.find((each) => each.circuitId === circuit.id) : undefined;
  if (!output?.pwm) return 1;
  if (output.pwm.to === 'hold') return Math.min(1, (output.pwm.holdVolts / volts) ** 2);
  return circuit.kind === 'daytime-running' ? 1 : output.pwm.duty;
}

/** Watts of every feed that is on with one setting of the panel, by lamp and feed. */
async function watts(
  vehicle: VehicleSimulation,
  circuits: readonly Circuit[],
  volts: number,
): Promise<Map<string, { bulb: number; resistors: number }>> {
  const controls = controlsFor(circuits[0] as Circuit);
  const built = vehicle.netlist(controls, volts, undefined, true);
  // A bimetal left to itself opens; the ledger is of lit lamps, so its contact is held as the resistor it is.
  const netlist = {
    ...built,
    elements: built.elements.map((element) => {
      if (element.kind !== 'thermal-flasher') return element;
      const { id, a, b, closedOhms } = element;
      return { kind: 'resistor' as const, id, a, b, ohms: closedOhms };
    }),
  };
  const names = new Set(netlist.elements.map(({ id }) => id));
  const feeds = circuits.flatMap((circuit) => circuit.feeds);
  const nodes = feeds.flatMap(({ lampId, input }) => [NODES.feed(lampId, input), NODES.earth(lampId)]);
  const meters = feeds.flatMap(({ lampId, input }) => [
    ELEMENTS.contact(lampId, input),
    ...[0, 1, 2].map((index) => ELEMENTS.resistor(lampId, index)),
  ]);
  const there = [...new Set(meters)].filter((id) => names.has(id));
  const vectors = await ngspice(
    spiceText({
      netlist,
      drives: heldDrives(vehicle.contacts(controls, true)),
      analysis: { kind: 'op' },
      volts: [...new Set(nodes)].map((node) => ({ name: node, node })),
      amps: there.map((elementId) => ({ name: elementId, elementId })),
    }),
  );
  const read = (at: { node: string } | { meter: string }) => {
    const value = vectors.get(spiceVector(netlist, at).toLowerCase());
    if (value === undefined) throw new Error(`ngspice gave no ${JSON.stringify(at)}`);
    return value;
  };
  const current = (id: string) => (there.includes(id) ? read({ meter: id }) : 0);
  return new Map(
    feeds.map(({ lampId, input }) => {
      const across = read({ node: NODES.feed(lampId, input) }) - read({ node: NODES.earth(lampId) });
      const networks = vehicle.fitment.resistors.filter((network) => network.lampId === lampId);
      const resistors = networks.reduce(
        (sum, network, index) =>
          (network.input ?? 'main') === input ? sum + current(ELEMENTS.resistor(lampId, index)) : sum,
        0,
      );
      const empty = (vehicle.fitment.contents.get(lampId)?.kind ?? 'empty') === 'empty';
      const bulb = empty ? 0 : current(ELEMENTS.contact(lampId, input));
      return [`${lampId} ${input}`, { bulb: across * bulb, resistors: across * resistors }];
    }),
  );
}

const FLEET = ['library-route-1', 'dial-a-ride-2', 'gritter-4', 'courier-moped-7', 'exhibition-trailer'];

describe('the ledger of the demo fleet', () => {
  it.each(FLEET)('%s: within 1 % or 20 mW of ngspice', { timeout: 120_000 }, async (id) => {
    const job = demoJob(id);
    const ledger = ledgerOf(job, DEMO_SHELF);
    const { stock, planned } = bothSimulations(job, DEMO_SHELF);
    const alike = new Map<string, Circuit[]>();
    for (const circuit of job.vehicle.circuits) {
      const key = JSON.stringify(controlsFor(circuit));
      alike.set(key, [...(alike.get(key) ?? []), circuit]);
    }
    let worst = 0;
    let compared = 0;
    for (const circuits of alike.values()) {
      const was = await watts(stock, circuits, ledger.volts);
      const is = await watts(planned, circuits, ledger.volts);
      for (const circuit of circuits)
        for (const { lampId, input } of circuit.feeds) {
          const rows = ledger.rows.filter(
            (each) => each.level === 'own' && each.circuitId === circuit.id && each.lampId === lampId,
          );
          const row =
            rows[
              circuit.feeds.filter((each) => each.lampId === lampId).findIndex((each) => each.input === input)
            ];
          const part = share(job, circuit, ledger.volts);
          const before = was.get(`${lampId} ${input}`);
          const after = is.get(`${lampId} ${input}`);
          for (const [mine, theirs] of [
            [row?.stockWatts, before?.bulb],
            [row?.plannedWatts, after?.bulb],
            [row?.resistorWatts, after?.resistors],
          ] as const) {
            const expected = part * (theirs as number);
            const off = Math.abs((mine as number) - expected) / Math.max(0.01 * Math.abs(expected), 0.02);
            worst = Math.max(worst, off);
            compared += 1;
            expect(
              off,
              `${id}, ${circuit.name}, ${lampId} ${input}: ${mine} against ${expected} W`,
            ).toBeLessThan(1);
          }
        }
    }
    expect(compared).toBeGreaterThan(10);
    told.push(`  ${id.padEnd(19)} ${compared} powers, the worst ${worst.toFixed(4)} of what is allowed`);
  });
});
