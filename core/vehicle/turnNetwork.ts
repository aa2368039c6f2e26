import { signalFilament } from '../catalogue/bulbs.ts';
import { type Device, Resistor } from '../circuit/device.ts';
import { type FeedNode, solveFeedTree } from '../circuit/feedTree.ts';
import { Filament } from '../circuit/filament.ts';
import { LedBulb } from '../circuit/ledBulb.ts';
import { networkOhms } from '../circuit/resistorNetwork.ts';
import { wireOhms } from '../circuit/wire.ts';
import type { Lamp, Side, TurnCircuit, Vehicle } from '../model/vehicle.ts';
import type { Fitment, SocketContent } from './fitment.ts';

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
 * narrow door through which every verdict gets its currents.
 */
export class TurnNetwork {
  private readonly bulbs = new Map<string, Device>();

  constructor(
    readonly vehicle: Vehicle,
    readonly fitment: Fitment,
  ) {
    for (const [lampId, content] of fitment.contents) {
      const device = deviceOf(content);
      if (device) this.bulbs.set(lampId, device);
    }
  }

  lamp(id: string): Lamp {
    const lamp = this.vehicle.lamps.find((candidate) => candidate.id === id);
    if (!lamp) throw new RangeError(`Vehicle ${this.vehicle.name} has no lamp "${id}"`);
    return lamp;
  }

  /** The bulb in a lamp as a device, or undefined where the socket is empty. */
  device(lampId: string): Device | undefined {
    return this.bulbs.get(lampId);
  }

  /**
   * Solves one lit moment.
   *
   * @throws NoSteadyStateError when no steady current exists
   */
  solve(state: LitState): TurnCurrents {
    const circuits = this.vehicle.circuits.filter((circuit) => state.sides.includes(circuit.side));
    const root: FeedNode = {
      id: 'flasher',
      ohms: supplyOhms(this.vehicle),
      devices: [],
      branches: circuits.map((circuit) => this.branch(circuit, state)),
    };
    const states = solveFeedTree(root, state.emfVolts);
    const lamps = circuits.flatMap((circuit) =>
      circuit.lampIds.map((lampId): LampCurrents => {
        const node = states.get(lampId);
        if (!node) throw new RangeError(`Lamp "${lampId}" is missing from the network`);
        const hasBulb = this.bulbs.has(lampId) && state.without !== lampId;
        const bulbAmps = hasBulb ? (node.deviceAmps[0] ?? 0) : 0;
        return { lampId, volts: node.volts, bulbAmps, resistorAmps: node.amps - bulbAmps };
      }),
    );
    const flasher = states.get('flasher');
    if (!flasher) throw new RangeError('The flasher is missing from the network');
    return {
      totalAmps: flasher.amps,
      watchedAmps: flasher.amps - this.unwatchedAmps(lamps),
      lampTerminalVolts: flasher.volts,
      lamps,
    };
  }

  private branch(circuit: TurnCircuit, state: LitState): FeedNode {
    const atSideFeed = state.trial?.at === 'side-feed' ? [new Resistor(state.trial.ohms)] : [];
    return {
      id: circuit.id,
      ohms: circuit.switchOhms + wireOhms(circuit.feed),
      devices: atSideFeed,
      branches: circuit.lampIds.map((lampId) => this.lampNode(lampId, state)),
    };
  }

  private lampNode(lampId: string, state: LitState): FeedNode {
    const lamp = this.lamp(lampId);
    const devices: Device[] = [];
    const bulb = this.bulbs.get(lampId);
    if (bulb && state.without !== lampId) devices.push(bulb);
    for (const network of this.fitment.resistors) {
      if (network.lampId === lampId) {
        devices.push(new Resistor(networkOhms(network, state.resistorFactor)));
      }
    }
    const { trial } = state;
    if (trial && typeof trial.at === 'object' && trial.at.lampId === lampId) {
      devices.push(new Resistor(trial.ohms));
    }
    return { id: lampId, ohms: leadOhms(lamp), devices, branches: [] };
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

/** Everything between the battery's EMF and the relay's lamp terminal, ohms. */
function supplyOhms(vehicle: Vehicle): number {
  const { supply, flasher } = vehicle;
  return supply.internalOhms + supply.fuse.ohms + wireOhms(supply.wire) + flasher.contactOhms;
}

function deviceOf(content: SocketContent): Device | undefined {
  switch (content.kind) {
    case 'filament':
      return new Filament(signalFilament(content.bulb));
    case 'led':
      return new LedBulb(content.part);
    case 'empty':
      return undefined;
  }
}
