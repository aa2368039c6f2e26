import { Simulation } from 'eecircuit-engine';
import { EARTH, type Netlist } from '../../core/circuit/engine/netlist.ts';
import { heldDrives, spiceText, spiceVector } from '../../core/circuit/engine/spice.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import { feedDuty } from '../../core/simulation/duty.ts';
import { type Fitment, healthyStock } from '../../core/simulation/fitment.ts';
import { controlsFor } from '../../core/simulation/moment.ts';
import { lampOut, type Strike } from '../../core/simulation/strike.ts';
import { VehicleSimulation } from '../../core/simulation/vehicleSimulation.ts';
import type { PlugFunction } from '../../core/wiring/connectors.ts';
import type { Expected, PinTestAt } from '../../core/wiring/pinFinder/expected.ts';
import type { HiddenPlug } from './hiddenPlug.ts';

/** A meter: 10 MΩ on volts; on ohms a third of a volt behind 1 kΩ, and more than a hundred thousand reads as open. */
const VOLTMETER_OHMS = 1e7;
const OHMMETER = { volts: 0.3, ohms: 1000 };
const OPEN_OHMS = 1e5;
/** Two halves of a flash that differ by more are seen to bounce, V. */
const BOUNCE_VOLTS = 1;
/** A pilot lamp of 2 W is so much less when cold. */
const COLD = 1 / 13;

/**
 * What a meter shows at the plugs of one vehicle by ngspice: the vehicle's netlist, a meter put into it by hand, solved by
 * another program. What lies on an unused cavity, on earth and under a fused probe needs no program.
 */
export class NgspicePins {
  private readonly simulation = new Simulation();
  private readonly volts = new Map<string, Map<string, number>>();
  private readonly fitment: Fitment;

  constructor(
    private readonly vehicle: Vehicle,
    private readonly plugs: readonly HiddenPlug[],
  ) {
    this.fitment = healthyStock({ vehicle, identified: {} });
  }

  /** What each test of a plug shows for each of its functions: by test, then by function. */
  async table({ connector, readings }: HiddenPlug): Promise<Expected[][]> {
    const rows: Expected[][] = [];
    for (const test of readings.tests) {
      const row: Expected[] = [];
      for (const pin of readings.functions) row.push(await this.shows(connector.at, pin, test));
      rows.push(row);
    }
    return rows;
  }

  private async shows(
    at: HiddenPlug['connector']['at'],
    pin: PlugFunction,
    test: PinTestAt,
  ): Promise<Expected> {
    const { use, feeds, node } = pin;
    if (test.how === 'probe') {
      const lit = (input: string) => feeds.filter((each) => each.input === input).map(({ lampId }) => lampId);
      return { kind: 'light', bright: lit('main'), dim: lit('dim') };
    }
    const inOhms = test.how === 'ohms-in' || test.how === 'ohms-out';
    const terminal = use.does === 'relay' ? use.terminal : null;
    if (use.does === 'nothing') return inOhms ? { kind: 'ohms', ohms: Infinity } : steady(0);
    if (terminal === 'earth') return inOhms ? { kind: 'ohms', ohms: 0.02 } : steady(0);
    if (terminal === 'pilot')
      return inOhms ? { kind: 'ohms', ohms: (this.vehicle.systemVolts ** 2 / 2) * COLD } : steady(0);
    if (node === null || (inOhms && terminal === 'supply')) return null;
    return inOhms ? this.ohms(at, node, test) : this.voltsAt(at.kind === 'relay', pin, node, test);
  }

  private async ohms(at: HiddenPlug['connector']['at'], node: string, test: PinTestAt): Promise<Expected> {
    const out = test.how === 'ohms-out' && at.kind === 'lamps' ? at.lampIds.map(lampOut) : [];
    const controls = this.controlsOf(test);
    const meter = { id: 'ohmmeter', kind: 'battery' as const, a: node, b: EARTH, ...OHMMETER };
    const shown = await this.solve(controls, 0, false, out, (netlist) => ({
      ...netlist,
      elements: [...netlist.elements, meter],
    }));
    const across = shown.get(node) ?? 0;
    const ohms = across / ((OHMMETER.volts - across) / OHMMETER.ohms);
    return { kind: 'ohms', ohms: ohms > OPEN_OHMS || ohms < 0 ? Infinity : ohms };
  }

  private async voltsAt(
    relayOut: boolean,
    pin: PlugFunction,
    node: string,
    test: PinTestAt,
  ): Promise<Expected> {
    const controls = this.controlsOf(test);
    const [lit, dark, rest] = [
      await this.metered(controls, !relayOut),
      await this.metered(controls, false),
      await this.metered(CONTROLS_OFF, false),
    ].map((shown) => shown.get(node) ?? 0) as [number, number, number];
    const circuits = this.vehicle.circuits.filter(({ id }) => pin.about.includes(id));
    const duty = feedDuty(this.vehicle, circuits, controls, this.rested);
    const mean = (on: number) => duty * on + (1 - duty) * rest;
    if (test.how === 'peak') return steady(Math.max(lit, dark));
    const [high, low] = [mean(lit), mean(dark)];
    return Math.abs(high - low) > BOUNCE_VOLTS
      ? { kind: 'volts', volts: (high + low) / 2, flashes: true }
      : steady(high);
  }

  private get rested(): number {
    return (this.vehicle.systemVolts * 12.6) / 12;
  }

  private controlsOf({ circuitId }: PinTestAt): Controls {
    const circuit = this.vehicle.circuits.find(({ id }) => id === circuitId);
    return circuit ? controlsFor(circuit) : CONTROLS_OFF;
  }

  /** Every node a plug of the vehicle may have, each with a voltmeter of its own. */
  private async metered(controls: Controls, lit: boolean): Promise<Map<string, number>> {
    const key = JSON.stringify([controls, lit]);
    let shown = this.volts.get(key);
    if (!shown) {
      shown = await this.solve(controls, this.rested, lit, [], (netlist) => ({
        ...netlist,
        elements: [
          ...netlist.elements,
          ...this.nodes.map((a, at) => ({
            id: `voltmeter-${at}`,
            kind: 'resistor' as const,
            a,
            b: EARTH,
            ohms: VOLTMETER_OHMS,
          })),
        ],
      }));
      this.volts.set(key, shown);
    }
    return shown;
  }

  private get nodes(): string[] {
    const all = this.plugs.flatMap(({ readings }) => readings.functions.flatMap(({ node }) => node ?? []));
    return [...new Set(all)];
  }

  private async solve(
    controls: Controls,
    emfVolts: number,
    lit: boolean,
    strikes: readonly Strike[],
    withMeter: (netlist: Netlist) => Netlist,
  ): Promise<Map<string, number>> {
    const { flasher } = this.fitment;
    // A bimetal opens and closes by itself; here the test does, and out of its socket it stays open.
    const fitment: Fitment =
      flasher.kind === 'thermal'
        ? { ...this.fitment, flasher: { ...flasher, underloaded: 'fast' } }
        : this.fitment;
    const { netlist, contacts } = new VehicleSimulation(this.vehicle, fitment, strikes).inTime(
      controls,
      emfVolts,
    );
    const metered = withMeter(netlist);
    const nodes = this.nodes;
    this.simulation.setNetList(
      spiceText({
        netlist: metered,
        drives: heldDrives(contacts(lit)),
        analysis: { kind: 'op' },
        volts: nodes.map((node) => ({ name: node, node })),
        amps: [],
      }),
    );
    const { data } = await this.simulation.runSim();
    const vectors = new Map(data.map(({ name, values }) => [name.toLowerCase(), values as number[]]));
    return new Map(
      nodes.map((node) => [
        node,
        vectors.get(spiceVector(metered, { node }).toLowerCase())?.at(-1) ?? Number.NaN,
      ]),
    );
  }

  /** @throws Error where ngspice cannot be started */
  async start(): Promise<void> {
    await this.simulation.start();
  }
}

function steady(volts: number): Expected {
  return { kind: 'volts', volts, flashes: false };
}
