import { signalFilament } from '../catalogue/bulbs.ts';
import { ledElements } from '../circuit/engine/ledElements.ts';
import { EARTH, type Element, FLOATING_OHMS, type Netlist } from '../circuit/engine/netlist.ts';
import { networkOhms } from '../circuit/resistorNetwork.ts';
import { wireOhms } from '../circuit/wire.ts';
import type { Lamp, Side, Vehicle } from '../model/vehicle.ts';
import type { Fitment, SocketContent } from './fitment.ts';

/** Controls of a turn netlist: the relay's contact, and the switch of each side. */
export const RELAY_CONTACT = 'relay';
export const sideControl = (side: Side) => `side-${side}`;

/** Names of the places a turn netlist is asked about. */
export const TURN_NODES = {
  lampTerminal: '49a',
  feedOf: (lampId: string) => `${lampId}.feed`,
  earthOf: (lampId: string) => `${lampId}.earth`,
};
export const TURN_ELEMENTS = { relay: 'relay-contact', leadOf: (lampId: string) => `${lampId}.lead` };

/**
 * The turn circuits of a vehicle as a netlist: battery, fuse, relay contact, side switches, a lead and an
 * earth return for every lamp, what is in each socket, and the resistors across it.
 *
 * @param resistorFactor by how much every load resistor is off its printed ohms
 * @throws RangeError when an LED's printed figures contradict each other
 */
export function turnNetlist(
  vehicle: Vehicle,
  fitment: Fitment,
  emfVolts: number,
  resistorFactor = 1,
): Netlist {
  const { supply, flasher } = vehicle;
  const elements: Element[] = [
    // A perfect battery is given the least resistance a number can stand for.
    {
      kind: 'battery',
      id: 'battery',
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
      b: '49a',
      control: RELAY_CONTACT,
      closedOhms: flasher.contactOhms,
    },
    resistor('49a-leak', '49a', EARTH, FLOATING_OHMS),
  ];
  for (const circuit of vehicle.circuits) {
    const switched = `${circuit.id}.switched`;
    const bus = `${circuit.id}.bus`;
    elements.push(
      {
        kind: 'switch',
        id: `${circuit.id}.switch`,
        a: '49a',
        b: switched,
        control: sideControl(circuit.side),
        closedOhms: circuit.switchOhms,
      },
      resistor(`${circuit.id}.feed`, switched, bus, wireOhms(circuit.feed)),
      resistor(`${circuit.id}.leak`, bus, EARTH, FLOATING_OHMS),
    );
    for (const lampId of circuit.lampIds) {
      const lamp = vehicle.lamps.find((each) => each.id === lampId);
      if (!lamp) throw new RangeError(`Vehicle ${vehicle.name} has no lamp "${lampId}"`);
      elements.push(...lampElements(lamp, bus, fitment, resistorFactor));
    }
  }
  return { title: `${vehicle.name}, turn circuits`, elements };
}

function lampElements(lamp: Lamp, bus: string, fitment: Fitment, factor: number): Element[] {
  const feed = TURN_NODES.feedOf(lamp.id);
  const earth = TURN_NODES.earthOf(lamp.id);
  const content = fitment.contents.get(lamp.id) ?? { kind: 'empty' };
  const resistors = fitment.resistors
    .filter((network) => network.lampId === lamp.id)
    .map((network, index) =>
      resistor(`${lamp.id}.resistor${index}`, feed, earth, networkOhms(network, factor)),
    );
  return [
    resistor(TURN_ELEMENTS.leadOf(lamp.id), bus, feed, wireOhms(lamp.lead)),
    resistor(`${lamp.id}.return`, earth, EARTH, wireOhms(lamp.earth)),
    resistor(`${lamp.id}.leak`, feed, EARTH, FLOATING_OHMS),
    ...socketElements(content, `${lamp.id}.bulb`, feed, earth),
    ...resistors,
  ];
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
