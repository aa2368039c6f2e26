import { Circuit } from '../circuit/engine/circuit.ts';
import { OPEN_OHMS } from '../circuit/engine/netlist.ts';
import { networkOhms } from '../circuit/resistorNetwork.ts';
import { wireOhms } from '../circuit/wire.ts';
import type { Lamp, Side, Vehicle } from '../model/vehicle.ts';
import type { Fitment } from './fitment.ts';
import { TURN_ELEMENTS, TURN_NODES, turnControls, turnNetlist } from './turnNetlist.ts';

/** Currents of the turn circuits in one steady lit moment. */
export interface TurnCurrents {
  /** through the fuse and the relay, A */
  totalAmps: number;
  /** what the relay's watcher counts, A */
  watchedAmps: number;
  /** volts at the relay's lamp terminal */
  lampTerminalVolts: number;
  lamps: readonly LampCurrents[];
}

export interface LampCurrents {
  lampId: string;
  /** volts between the lamp's feed and earth contacts */
  volts: number;
  bulbAmps: number;
  resistorAmps: number;
}

export interface LitState {
  /** battery EMF, V */
  emfVolts: number;
  sides: readonly Side[];
  /** by how much every load resistor is off its printed ohms; 1 where left out */
  resistorFactor?: number;
  /** a lamp whose bulb is taken out */
  without?: string;
  /** a resistor that is only being thought about: across one lamp, or at the head of each lit side */
  trial?: { ohms: number; at: { lampId: string } | 'side-feed' };
}

/**
 * The turn circuits of one vehicle with one fitment, ready to be solved for any lit state. This is the
 * narrow door through which every verdict gets its currents. One circuit serves all states: values are
 * changed in it, and each solution is where the next begins.
 */
export class TurnNetwork {
  private readonly circuit: Circuit;

  /** @throws RangeError when an LED's printed figures contradict each other */
  constructor(
    readonly vehicle: Vehicle,
    readonly fitment: Fitment,
  ) {
    this.circuit = new Circuit(turnNetlist(vehicle, fitment, 12, { trials: true }));
  }

  lamp(id: string): Lamp {
    const lamp = this.vehicle.lamps.find((candidate) => candidate.id === id);
    if (!lamp) throw new RangeError(`Vehicle ${this.vehicle.name} has no lamp "${id}"`);
    return lamp;
  }

  /**
   * Solves one lit moment.
   *
   * @throws NoSolutionError when no steady state exists
   */
  solve(state: LitState): TurnCurrents {
    const circuits = this.vehicle.circuits.filter((circuit) => state.sides.includes(circuit.side));
    const lampIds = circuits.flatMap((circuit) => circuit.lampIds);
    this.setUp(state);
    this.circuit.solveSteady();
    const lamps = lampIds.map((lampId): LampCurrents => {
      const hasBulb = this.has(lampId) && state.without !== lampId;
      const bulbAmps = hasBulb ? this.circuit.amps(TURN_ELEMENTS.contactOf(lampId)) : 0;
      return {
        lampId,
        volts:
          this.circuit.nodeVolts(TURN_NODES.feedOf(lampId)) -
          this.circuit.nodeVolts(TURN_NODES.earthOf(lampId)),
        bulbAmps,
        resistorAmps: this.resistorAmps(lampId),
      };
    });
    const totalAmps = this.circuit.amps(TURN_ELEMENTS.relay);
    return {
      totalAmps,
      watchedAmps: totalAmps - this.unwatchedAmps(lamps),
      lampTerminalVolts: this.circuit.nodeVolts(TURN_NODES.lampTerminal),
      lamps,
    };
  }

  private has(lampId: string): boolean {
    return (this.fitment.contents.get(lampId)?.kind ?? 'empty') !== 'empty';
  }

  private setUp({ emfVolts, sides, resistorFactor = 1, without, trial }: LitState): void {
    const { circuit, vehicle } = this;
    circuit.setControls(turnControls(vehicle, sides, true, without));
    circuit.branch(TURN_ELEMENTS.battery).setValue(emfVolts);
    for (const [element, ohms] of this.resistors(resistorFactor)) circuit.branch(element).setValue(ohms);
    const trialAt = trial && (trial.at === 'side-feed' ? 'side' : trial.at.lampId);
    for (const lamp of vehicle.lamps) {
      circuit
        .branch(TURN_ELEMENTS.trialAtLamp(lamp.id))
        .setValue(trial && trialAt === lamp.id ? trial.ohms : OPEN_OHMS);
    }
    for (const each of vehicle.circuits) {
      circuit
        .branch(TURN_ELEMENTS.trialAtSide(each.id))
        .setValue(trial && trialAt === 'side' ? trial.ohms : OPEN_OHMS);
    }
  }

  /** Every load resistor by its element, with its ohms. */
  private resistors(factor: number): [element: string, ohms: number][] {
    return this.vehicle.lamps.flatMap((lamp) =>
      this.fitment.resistors
        .filter((network) => network.lampId === lamp.id)
        .map((network, index): [string, number] => [
          TURN_ELEMENTS.resistorOf(lamp.id, index),
          networkOhms(network, factor),
        ]),
    );
  }

  private resistorAmps(lampId: string): number {
    const fitted = this.fitment.resistors.filter((network) => network.lampId === lampId);
    return fitted.reduce(
      (sum, _, index) => sum + this.circuit.amps(TURN_ELEMENTS.resistorOf(lampId, index)),
      this.circuit.amps(TURN_ELEMENTS.trialAtLamp(lampId)),
    );
  }

  private unwatchedAmps(lamps: readonly LampCurrents[]): number {
    if (this.vehicle.flasher.watchesRepeaters) return 0;
    return lamps
      .filter((each) => this.lamp(each.lampId).role === 'repeater')
      .reduce((sum, each) => sum + each.bulbAmps + each.resistorAmps, 0);
  }
}

/** Lead and earth return of a lamp, ohms. */
export function leadOhms(lamp: Lamp): number {
  return wireOhms(lamp.lead) + wireOhms(lamp.earth);
}
