import { signalFilament } from '../catalogue/bulbs.ts';
import { ledElements } from '../circuit/engine/ledElements.ts';
import { EARTH, type Element, FLOATING_OHMS, type Netlist, OPEN_OHMS } from '../circuit/engine/netlist.ts';
import { networkOhms } from '../circuit/resistorNetwork.ts';
import { wireOhms } from '../circuit/wire.ts';
import type { Lamp, Side, Vehicle } from '../model/vehicle.ts';
import type { Fitment, SocketContent } from './fitment.ts';

/** Controls of a turn netlist: the relay's contact, the switch of each side, and whether each bulb is in its socket. */
export const RELAY_CONTACT = 'relay';
export const sideControl = (side: Side) => `side-${side}`;
export const seatedControl = (lampId: string) => `seated-${lampId}`;

/** Names of the places and parts a turn netlist is asked about. */
export const TURN_NODES = {
  lampTerminal: '49a',
  feedOf: (lampId: string) => `${lampId}.feed`,
  earthOf: (lampId: string) => `${lampId}.earth`,
};
export const TURN_ELEMENTS = {
  battery: 'battery',
  relay: 'relay-contact',
  leadOf: (lampId: string) => `${lampId}.lead`,
  bulbOf: (lampId: string) => `${lampId}.bulb`,
  contactOf: (lampId: string) => `${lampId}.contact`,
  resistorOf: (lampId: string, index: number) => `${lampId}.resistor${index}`,
  /** a resistor that is only being thought about: open until it is given ohms */
  trialAtLamp: (lampId: string) => `${lampId}.trial`,
  trialAtSide: (circuitId: string) => `${circuitId}.trial`,
};

/** Resistance of a bulb's contacts in its socket, ohms (typical of clean ones). */
const SOCKET_CONTACT_OHMS = 2e-3;

export interface TurnNetlistOptions {
  /** by how much every load resistor is off its printed ohms */
  resistorFactor?: number;
  /** adds open places for resistors on trial */
  trials?: boolean;
}

/**
 * The turn circuits of a vehicle as a netlist: battery, fuse, relay contact, side switches, a lead and an
 * earth return for every lamp, what is in each socket, and the resistors across it.
 *
 * @throws RangeError when an LED's printed figures contradict each other
 */
export function turnNetlist(
  vehicle: Vehicle,
  fitment: Fitment,
  emfVolts: number,
  options: TurnNetlistOptions = {},
): Netlist {
  const { supply, flasher } = vehicle;
  const elements: Element[] = [
    // A perfect battery is given the least resistance a number can stand for.
    {
      kind: 'battery',
      id: TURN_ELEMENTS.battery,
      a: '30',
      b: EARTH,
      volts: emfVolts,
      ohms: Math.max(supply.internalOhms, 1e-4),
    },
    resistor('fuse', '30', 'fused', supply.fuse.ohms),
    resistor('supply-wire', 'fused', '49', wireOhms(supply.wire)),
    {
      kind: 'switch',
      id: TURN_ELEMENTS.relay,
      a: '49',
      b: TURN_NODES.lampTerminal,
      control: RELAY_CONTACT,
      closedOhms: flasher.contactOhms,
    },
    resistor('49a-leak', TURN_NODES.lampTerminal, EARTH, FLOATING_OHMS),
  ];
  for (const circuit of vehicle.circuits) {
    const switched = `${circuit.id}.switched`;
    const bus = `${circuit.id}.bus`;
    elements.push(
      {
        kind: 'switch',
        id: `${circuit.id}.switch`,
        a: TURN_NODES.lampTerminal,
        b: switched,
        control: sideControl(circuit.side),
        closedOhms: circuit.switchOhms,
      },
      resistor(`${circuit.id}.feed`, switched, bus, wireOhms(circuit.feed)),
      resistor(`${circuit.id}.leak`, bus, EARTH, FLOATING_OHMS),
    );
    if (options.trials) elements.push(resistor(TURN_ELEMENTS.trialAtSide(circuit.id), bus, EARTH, OPEN_OHMS));
    for (const lampId of circuit.lampIds) {
      const lamp = vehicle.lamps.find((each) => each.id === lampId);
      if (!lamp) throw new RangeError(`Vehicle ${vehicle.name} has no lamp "${lampId}"`);
      elements.push(...lampElements(lamp, bus, fitment, options));
    }
  }
  return { title: `${vehicle.name}, turn circuits`, elements };
}

function lampElements(lamp: Lamp, bus: string, fitment: Fitment, options: TurnNetlistOptions): Element[] {
  const feed = TURN_NODES.feedOf(lamp.id);
  const earth = TURN_NODES.earthOf(lamp.id);
  const elements: Element[] = [
    resistor(TURN_ELEMENTS.leadOf(lamp.id), bus, feed, wireOhms(lamp.lead)),
    resistor(`${lamp.id}.return`, earth, EARTH, wireOhms(lamp.earth)),
    resistor(`${lamp.id}.leak`, feed, EARTH, FLOATING_OHMS),
  ];
  fitment.resistors
    .filter((network) => network.lampId === lamp.id)
    .forEach((network, index) => {
      elements.push(
        resistor(
          TURN_ELEMENTS.resistorOf(lamp.id, index),
          feed,
          earth,
          networkOhms(network, options.resistorFactor),
        ),
      );
    });
  if (options.trials) elements.push(resistor(TURN_ELEMENTS.trialAtLamp(lamp.id), feed, earth, OPEN_OHMS));
  const content = fitment.contents.get(lamp.id) ?? { kind: 'empty' };
  if (content.kind === 'empty') return elements;
  const contact = `${lamp.id}.cap`;
  return [
    ...elements,
    {
      kind: 'switch',
      id: TURN_ELEMENTS.contactOf(lamp.id),
      a: feed,
      b: contact,
      control: seatedControl(lamp.id),
      closedOhms: SOCKET_CONTACT_OHMS,
    },
    resistor(`${lamp.id}.cap-leak`, contact, EARTH, FLOATING_OHMS),
    ...socketElements(content, TURN_ELEMENTS.bulbOf(lamp.id), contact, earth),
  ];
}

/** The controls of one lit or dark moment, every bulb but `without` in its socket. */
export function turnControls(
  vehicle: Vehicle,
  sides: readonly Side[],
  contactClosed: boolean,
  without?: string,
): Record<string, boolean> {
  return {
    [RELAY_CONTACT]: contactClosed,
    ...Object.fromEntries(sides.map((side) => [sideControl(side), true])),
    ...Object.fromEntries(vehicle.lamps.map((lamp) => [seatedControl(lamp.id), lamp.id !== without])),
  };
}

function socketElements(content: SocketContent, id: string, feed: string, earth: string): Element[] {
  switch (content.kind) {
    case 'filament':
      return [{ kind: 'filament', id, a: feed, b: earth, rating: signalFilament(content.bulb) }];
    case 'led':
      return ledElements(content.part, id, feed, earth);
    case 'empty':
      return [];
  }
}

/** A wire may be so short that its resistance is nought; the solver wants a number above it. */
function resistor(id: string, a: string, b: string, ohms: number): Element {
  return { kind: 'resistor', id, a, b, ohms: Math.max(ohms, 1e-6) };
}
