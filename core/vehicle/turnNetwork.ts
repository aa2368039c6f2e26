import type { Circuit as SolvedCircuit } from '../circuit/engine/circuit.ts';
import { wireOhms } from '../circuit/wire.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { lampById, lampIdsOf, type Vehicle } from '../model/vehicle/vehicle.ts';
import type { Fitment } from './fitment.ts';
import { companiesOf, LitNetwork } from './litNetwork.ts';
import type { Company, LitState } from './litState.ts';
import { ELEMENTS, NODES } from './places.ts';

/** Currents of the turn circuits in one steady lit moment. */
export interface TurnCurrents {
  /** into all lit sides together, A */
  totalAmps: number;
  /** what a watcher counts of it, A */
  watchedAmps: number;
  /** volts at the flasher's lamp terminal, or at the first lit output */
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

/** A slider asks for many supplies; past so many states none is kept. */
const MOST_REMEMBERED = 600;

/**
 * The turn circuits of one vehicle with one fitment, and whatever they share lamps or earths with, ready to be
 * solved for any lit state. This is the narrow door through which every verdict gets its currents. What was asked
 * once is remembered.
 */
export class TurnNetwork {
  private readonly networks = new Map<string, LitNetwork>();
  private readonly worked = new Map<string, TurnCurrents>();
  /** what may be on beside the turn lamps and bears on them: nothing first, all of it last */
  readonly companies: readonly Company[];

  constructor(
    readonly vehicle: Vehicle,
    readonly fitment: Fitment,
  ) {
    this.companies = companiesOf(vehicle);
  }

  /** @throws RangeError when the vehicle has no such lamp */
  lamp(id: string): Lamp {
    return lampById(this.vehicle, id);
  }

  /**
   * Solves one lit moment.
   *
   * @throws NoSolutionError when no steady state exists
   * @throws RangeError when an LED's printed figures contradict each other
   */
  solve(state: LitState): TurnCurrents {
    if (state.trial) return this.work(state);
    const { emfVolts, sides, lights = false, brake = false, resistorFactor = 1, without = '' } = state;
    const key = `${emfVolts} ${sides.join()} ${lights} ${brake} ${resistorFactor} ${without}`;
    let currents = this.worked.get(key);
    if (!currents) {
      currents = this.work(state);
      if (this.worked.size < MOST_REMEMBERED) this.worked.set(key, currents);
    }
    return currents;
  }

  /**
   * Current through the bulb of a lamp that is not on a lit side, A: what a pilot between the sides feeds back.
   *
   * @throws NoSolutionError when no steady state exists
   */
  darkAmps(state: LitState, lampId: string): number {
    const network = this.networkFor(state);
    network.solve(state);
    return network.circuit.amps(ELEMENTS.contact(lampId));
  }

  private work(state: LitState): TurnCurrents {
    const network = this.networkFor(state);
    const { circuit, lit } = network;
    network.solve(state);
    const lamps = lit.flatMap(lampIdsOf).map((lampId): LampCurrents => {
      const hasBulb = this.has(lampId) && state.without !== lampId;
      return {
        lampId,
        volts: circuit.nodeVolts(NODES.feed(lampId)) - circuit.nodeVolts(NODES.earth(lampId)),
        bulbAmps: hasBulb ? circuit.amps(ELEMENTS.contact(lampId)) : 0,
        resistorAmps: this.resistorAmps(circuit, lampId),
      };
    });
    const totalAmps = lit.reduce((sum, { id }) => sum + circuit.amps(ELEMENTS.wire(id)), 0);
    const terminal =
      this.fitment.flasher.kind === 'controller' ? NODES.switched(lit[0]?.id ?? '') : NODES.flasherOut;
    return {
      totalAmps,
      watchedAmps: totalAmps - this.unwatchedAmps(lamps),
      lampTerminalVolts: lit.length > 0 ? circuit.nodeVolts(terminal) : 0,
      lamps,
    };
  }

  /** Whether the parking lights bear on the turn lamps. */
  get lightsMatter(): boolean {
    return this.companies.some((company) => company.lights);
  }

  private networkFor({ sides, lights = false, brake = false }: LitState): LitNetwork {
    const key = `${sides.join()} ${lights} ${brake}`;
    let network = this.networks.get(key);
    if (!network) {
      network = new LitNetwork(this.vehicle, this.fitment, { sides, lights, brake });
      this.networks.set(key, network);
    }
    return network;
  }

  private has(lampId: string): boolean {
    return (this.fitment.contents.get(lampId)?.kind ?? 'empty') !== 'empty';
  }

  private resistorAmps(circuit: SolvedCircuit, lampId: string): number {
    const fitted = this.fitment.resistors.filter((network) => network.lampId === lampId);
    return fitted.reduce(
      (sum, { input = 'main' }, index) =>
        input === 'main' ? sum + circuit.amps(ELEMENTS.resistor(lampId, index)) : sum,
      circuit.amps(ELEMENTS.trialAtLamp(lampId)),
    );
  }

  private unwatchedAmps(lamps: readonly LampCurrents[]): number {
    const { flasher } = this.fitment;
    if (flasher.kind !== 'watching-relay' || flasher.watchesRepeaters !== false) return 0;
    return lamps
      .filter((each) => this.lamp(each.lampId).role === 'repeater')
      .reduce((sum, each) => sum + each.bulbAmps + each.resistorAmps, 0);
  }
}

/** Lead and earth return of a lamp, ohms. */
export function leadOhms(lamp: Lamp): number {
  return wireOhms(lamp.lead) + wireOhms(lamp.earth);
}
