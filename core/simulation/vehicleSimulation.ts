import { Circuit as SolvedCircuit } from '../circuit/engine/circuit.ts';
import type { ControlState, Netlist } from '../circuit/engine/netlist.ts';
import { Transient, type TransientOptions } from '../circuit/engine/transient.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { CONTACTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { Bearing } from './bearing.ts';
import { contactsOf, flashingContacts } from './contacts.ts';
import type { Controls } from './controls.ts';
import { coupledCircuits } from './coupled.ts';
import { type Unanswered, unansweredWires } from './faultWires.ts';
import type { Fitment } from './fitment.ts';
import type { Moment } from './moment.ts';
import { Probes } from './probes.ts';
import { SteadyCircuit } from './steadyCircuit.ts';
import { joinedTo, type Strike, struck } from './strike.ts';
import type { SolvedCurrents } from './turnCurrents.ts';
import { type Meter, vehicleNetlist } from './vehicleNetlist.ts';

/** A stretch of time of a vehicle, and the contacts as they stand at any wish of the driver. */
export interface TimeRun {
  run: Transient;
  netlist: Netlist;
  /** every contact with what flashes lit or dark */
  contacts(lit: boolean): Record<string, boolean>;
}

export interface TimeRequest extends TransientOptions {
  /** circuits asked about, with what shares a bulb with them; the whole vehicle where left out */
  about?: readonly string[];
  /** exactly these circuits */
  circuits?: ReadonlySet<string>;
  /** contacts at the start; as the panel has them, lit, where left out */
  start?: ControlState;
  /** fuses that never melt, for asking what would flow */
  fusesHold?: boolean;
}

/** What of a vehicle's steady moments was built and solved: two fitments that are electrically the same share it. */
export class SolvedMoments {
  readonly circuits = new Map<string, { steady: SteadyCircuit; probes: Probes }>();
  /** currents of lit turn circuits, by the state they were asked in */
  readonly turns = new Map<string, SolvedCurrents>();
}

/**
 * One vehicle with what is fitted and what is wrong with it. Whoever needs volts, amps or light asks it: for a steady
 * moment, for the moment a watcher looks, or over time. It owns netlist, contacts and shares of pulsed feeds; nobody
 * else puts them together.
 */
export class VehicleSimulation {
  /** as it is, with what is wired and fitted wrongly */
  readonly vehicle: Vehicle;
  readonly fitment: Fitment;
  readonly bearing: Bearing;

  /**
   * @param bearing which circuits bear on which, where somebody has it of this vehicle already
   * @param moments what was solved of the same vehicle with an electrically equal fitment
   */
  constructor(
    vehicle: Vehicle,
    fitment: Fitment,
    readonly strikes: readonly Strike[] = [],
    bearing?: Bearing,
    readonly moments: SolvedMoments = new SolvedMoments(),
  ) {
    const wrong = struck(vehicle, fitment, strikes);
    this.vehicle = wrong.vehicle;
    this.fitment = wrong.fitment;
    // What bears on what is another where its feeds or earths are.
    this.bearing = bearing && wrong.vehicle === vehicle ? bearing : new Bearing(wrong.vehicle);
  }

  /**
   * The settled moment: filaments at their heat, capacitors full.
   *
   * @param about circuits that are asked about: what bears on them is solved with them; all where left out
   * @throws NoSolutionError when no steady state exists
   * @throws RangeError when an LED's printed figures contradict each other
   */
  at(moment: Moment, about?: readonly string[]): Probes {
    const { steady, probes } = this.circuitsAbout(moment.controls, about);
    steady.settle(moment);
    return probes;
  }

  /**
   * The moment some seconds after the circuits asked about came on, everything else having settled: what a watcher
   * sees that looks while their filaments still draw more.
   *
   * @param darkSeconds how long they were dark since they were last lit, in a flash; from cold where left out
   * @throws NoSolutionError when no such state exists
   */
  lookAfter(
    seconds: number,
    moment: Moment,
    about: readonly string[],
    darkSeconds = Number.POSITIVE_INFINITY,
  ): Probes {
    const { steady, probes } = this.circuitsAbout(moment.controls, about);
    steady.lookAfter(seconds, moment, about, darkSeconds);
    return probes;
  }

  /**
   * What a meter held to a node shows, settled: volts to earth with the meter in circuit.
   *
   * @param about circuits the node belongs to, and those that are asked for
   * @throws NoSolutionError when no steady state exists
   * @throws RangeError for a node that none of the circuits has
   */
  metered(meter: Meter, moment: Moment, about: readonly string[]): number {
    const ids = this.idsAbout(moment.controls, about);
    const steady = new SteadyCircuit(this.vehicle, this.fitment, this.strikes, ids, moment.controls, meter);
    steady.settle(moment);
    return steady.solved.nodeVolts(meter.node);
  }

  /** The whole vehicle settled with what flashes dark, its fuses melting as they would: for whoever reads every node. */
  resting(controls: Controls, emfVolts: number): SolvedCircuit {
    const solved = new SolvedCircuit(this.netlist(controls, emfVolts));
    solved.setControls(this.contacts(controls, false));
    solved.solveSteady();
    return solved;
  }

  /** The lamp circuits as a netlist, as they stand with the panel as it is. */
  netlist(controls: Controls, emfVolts: number, circuits?: ReadonlySet<string>, fusesHold = false): Netlist {
    const { vehicle, fitment, strikes } = this;
    return vehicleNetlist(vehicle, fitment, {
      emfVolts,
      controls,
      strikes,
      fusesHold,
      ...(circuits ? { circuits } : {}),
    });
  }

  /** Every contact of the vehicle with the panel as it is. */
  contacts(controls: Controls, lit: boolean): Record<string, boolean> {
    return contactsOf(this.vehicle, this.fitment, controls, lit, this.strikes);
  }

  /** Lamps of some circuits that told of their failure over a wire of their own, on which nothing answers now. */
  unanswered(controls: Controls, circuits: readonly Circuit[]): (Unanswered & { circuitId: string })[] {
    if (!this.vehicle.lamps.some(({ works }) => works)) return [];
    const contacts = this.contacts(controls, true);
    const seated = (lampId: string) => contacts[CONTACTS.seated(lampId)] !== false;
    return circuits.flatMap((circuit) =>
      unansweredWires(this.vehicle, this.fitment, lampIdsOf(circuit), seated).map((each) => ({
        ...each,
        circuitId: circuit.id,
      })),
    );
  }

  /** Names of the contacts that open and close with the flashes of a turn circuit. */
  flashing(circuit: Circuit): string[] {
    return Object.keys(flashingContacts(circuit, true));
  }

  /** The vehicle in time from cold; the caller opens and closes contacts. */
  inTime(controls: Controls, emfVolts: number, request: TimeRequest = {}): TimeRun {
    const { about, circuits, start, fusesHold, ...options } = request;
    const among = circuits ?? (about && coupledCircuits(this.vehicle, about, { earths: false }));
    const netlist = this.netlist(controls, emfVolts, among, fusesHold);
    const contacts = (lit: boolean) => this.contacts(controls, lit);
    return { run: new Transient(netlist, start ?? contacts(true), options), netlist, contacts };
  }

  /** What is built for a question: what bears on it, and what something wrong joins to that. */
  private idsAbout(controls: Controls, about: readonly string[]): readonly string[] {
    return this.bearing.on(joinedTo(about, this.vehicle, this.strikes), controls);
  }

  private circuitsAbout(controls: Controls, about?: readonly string[]) {
    const ids = about ? this.idsAbout(controls, about) : this.vehicle.circuits.map((circuit) => circuit.id);
    const key = ids.join();
    let known = this.moments.circuits.get(key);
    if (!known) {
      const steady = new SteadyCircuit(this.vehicle, this.fitment, this.strikes, ids, controls);
      known = { steady, probes: new Probes(this.vehicle, this.fitment, steady.solved) };
      this.moments.circuits.set(key, known);
    }
    return known;
  }
}
