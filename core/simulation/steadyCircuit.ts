import { Circuit as SolvedCircuit } from '../circuit/engine/circuit.ts';
import { OPEN_OHMS } from '../circuit/engine/netlist.ts';
import { networkOhms } from '../circuit/resistorNetwork.ts';
import { wireOhms } from '../circuit/wire.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { CONTACTS, ELEMENTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { isOn } from './bearing.ts';
import { contactsOf } from './contacts.ts';
import { CONTROLS_OFF, type Controls } from './controls.ts';
import { feedDuty, filamentAt, pulsedWires } from './duty.ts';
import type { Fitment } from './fitment.ts';
import type { Moment } from './moment.ts';
import { lampOut, type Strike } from './strike.ts';
import { type Meter, vehicleNetlist } from './vehicleNetlist.ts';

/**
 * Some circuits of a vehicle in steady moments. Supply, contacts, shares of pulsed feeds, resistors and bulbs in their
 * sockets are changed in one netlist, so that each solution is where the next begins.
 */
export class SteadyCircuit {
  readonly solved: SolvedCircuit;
  private readonly circuits: readonly Circuit[];
  /** the vehicle as far as it is built */
  private readonly built: Vehicle;
  private readonly filaments: ReadonlySet<string>;
  private readonly contacts = new Map<string, Record<string, boolean>>();
  private closed = '';
  private emfVolts = Number.NaN;
  private pulsed = '';
  private resistors = '';
  /** whether what was solved last is the settled state of what is set */
  private settled = false;

  /**
   * @param ids circuits that are built; what is not among them is not there
   * @param meter held to one of their nodes all the while
   * @throws RangeError when an LED's printed figures contradict each other
   */
  constructor(
    private readonly vehicle: Vehicle,
    private readonly fitment: Fitment,
    private readonly strikes: readonly Strike[],
    ids: readonly string[],
    controls: Controls,
    meter?: Meter,
  ) {
    const among = new Set(ids);
    this.circuits = vehicle.circuits.filter((circuit) => among.has(circuit.id));
    const netlist = vehicleNetlist(vehicle, fitment, {
      emfVolts: 12,
      controls,
      strikes,
      circuits: among,
      trials: true,
      fusesHold: true,
      ...(meter ? { meter } : {}),
    });
    this.filaments = new Set(
      netlist.elements.flatMap((element) => (element.kind === 'filament' ? [element.id] : [])),
    );
    this.solved = new SolvedCircuit(netlist);
    // The pilot between the sides is built too, though none of the circuits feeds it.
    const controlled = new Set(
      netlist.elements.map((element) => ('control' in element ? element.control : '')),
    );
    this.built = {
      ...vehicle,
      circuits: [...this.circuits],
      lamps: vehicle.lamps.filter(({ id }) => controlled.has(CONTACTS.seated(id))),
    };
  }

  /** @throws NoSolutionError when no steady state exists */
  settle(moment: Moment): void {
    if (!this.set(moment) && this.settled) return;
    this.settled = false;
    this.solved.solveSteady();
    this.settled = true;
  }

  /**
   * The moment some seconds after some circuits have come on, everything else having settled.
   *
   * @param darkSeconds how long they were dark since they were last lit; infinite from cold
   * @throws NoSolutionError when no such state exists
   */
  lookAfter(seconds: number, moment: Moment, about: readonly string[], darkSeconds: number): void {
    this.settle(moment);
    const fresh = this.circuits
      .filter((circuit) => about.includes(circuit.id) && isOn(circuit, moment.controls))
      .flatMap((circuit) => circuit.feeds.map(({ lampId, input }) => filamentAt(lampId, input)))
      .filter((id) => this.filaments.has(id));
    if (fresh.length === 0) return;
    this.settled = false;
    this.solved.solveWarming(fresh, seconds, darkSeconds);
  }

  /** Tells whether that changed anything. */
  private set({ controls, emfVolts, lit = true, resistorFactor = 1, without, trial }: Moment): boolean {
    let changed = false;
    const closed = `${lit} ${without ?? ''} ${keyOf(controls)}`;
    if (closed !== this.closed) {
      this.closed = closed;
      changed = true;
      this.solved.setControls(this.contactsFor(closed, controls, lit, without));
      for (const circuit of this.circuits)
        if (circuit.dimmerOhms !== undefined)
          this.solved.setValue(
            ELEMENTS.wire(circuit.id),
            Math.max(1e-6, wireOhms(circuit.wire) + (controls.dimmed ? circuit.dimmerOhms : 0)),
          );
    }
    if (emfVolts !== this.emfVolts) {
      this.emfVolts = emfVolts;
      changed = true;
      this.solved.setValue(ELEMENTS.battery, emfVolts);
    }
    if (this.setShares(controls, emfVolts)) changed = true;
    const resistors = `${resistorFactor} ${trial ? JSON.stringify(trial) : ''}`;
    if (resistors !== this.resistors) {
      this.resistors = resistors;
      changed = true;
      this.setResistors(resistorFactor, trial);
    }
    return changed;
  }

  private contactsFor(
    key: string,
    controls: Controls,
    lit: boolean,
    without: string | undefined,
  ): Record<string, boolean> {
    let contacts = this.contacts.get(key);
    if (!contacts) {
      const out = without === undefined ? [] : [lampOut(without)];
      contacts = contactsOf(this.built, this.fitment, controls, lit, [...this.strikes, ...out]);
      this.contacts.set(key, contacts);
    }
    return contacts;
  }

  /** The share of time of each pulsed feed: of one that holds its lamp's volts it follows the supply. */
  private setShares(controls: Controls, emfVolts: number): boolean {
    const pulsed = pulsedWires(this.vehicle, this.circuits, controls, emfVolts);
    const key = pulsed.map(({ duty }) => duty).join();
    if (key === this.pulsed) return false;
    this.pulsed = key;
    for (const { elementId, duty } of pulsed) this.solved.setPulse(elementId, duty);
    for (const { feeds } of this.circuits) {
      for (const { lampId, input } of feeds) {
        const id = filamentAt(lampId, input);
        if (!this.filaments.has(id)) continue;
        const feeders = this.circuits.filter((circuit) =>
          circuit.feeds.some((feed) => feed.lampId === lampId && feed.input === input),
        );
        this.solved.branch(id).setDuty(feedDuty(this.vehicle, feeders, controls, emfVolts));
      }
    }
    return true;
  }

  private setResistors(factor: number, trial: Moment['trial']): void {
    const trialAt = trial && (trial.at === 'side-feed' ? 'side' : trial.at.lampId);
    const turns = this.circuits.filter((circuit) => circuit.kind === 'turn');
    for (const lampId of new Set(this.circuits.flatMap(lampIdsOf))) {
      this.fitment.resistors
        .filter((network) => network.lampId === lampId)
        .forEach((network, index) => {
          this.solved.setValue(ELEMENTS.resistor(lampId, index), networkOhms(network, factor));
        });
      const at = ELEMENTS.trialAtLamp(lampId);
      if (this.solved.has(at)) this.solved.setValue(at, trial && trialAt === lampId ? trial.ohms : OPEN_OHMS);
    }
    for (const { id } of turns)
      this.solved.setValue(ELEMENTS.trialAtSide(id), trial && trialAt === 'side' ? trial.ohms : OPEN_OHMS);
  }
}

/** Every switch that is on or off, whichever there are. */
const SWITCHES = (Object.keys(CONTROLS_OFF) as (keyof Controls)[]).filter(
  (name) => typeof CONTROLS_OFF[name] === 'boolean',
);

/** The driver's panel as one word. */
export function keyOf(controls: Controls): string {
  // Asked at every moment that is solved: one figure of the switches is made sooner than a word of each.
  let switches = 0;
  for (const name of SWITCHES) switches = switches * 2 + (controls[name] ? 1 : 0);
  return `${controls.key}${controls.turn}${switches}`;
}
