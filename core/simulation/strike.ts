import { EARTH, type Element, OPEN_OHMS } from '../circuit/engine/netlist.ts';
import { CONTACTS, ELEMENTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Fitment } from './fitment.ts';

/**
 * What something wrong does to a simulated vehicle. Whoever knows of things that go wrong makes these; the simulation puts
 * them in, and does not know which there are.
 */
export interface Strike {
  /** the vehicle wired otherwise */
  vehicle?(vehicle: Vehicle): Vehicle;
  /** something else fitted, or fitted otherwise */
  fitment?(fitment: Fitment): Fitment;
  /** the netlist with ohms added, something opened or joined; elements of circuits that were left out are not there */
  elements?(elements: readonly Element[]): Element[];
  /** contacts that are not where the panel has them */
  contacts?(contacts: Record<string, boolean>, vehicle: Vehicle): void;
  /** circuits that carry something though they are off */
  alive?: readonly string[];
  /** circuits whose wires it joins: one is not asked for without the others */
  joined?(vehicle: Vehicle): readonly string[];
  /** whether lamps feed back through an earth they share */
  throughEarths?: boolean;
  /** whether the contact of the flasher cannot move */
  flasherHeld?: boolean;
}

/** The vehicle and what is fitted to it, with what is wrong put in. */
export function struck(vehicle: Vehicle, fitment: Fitment, strikes: readonly Strike[]) {
  return {
    vehicle: strikes.reduce((before, each) => each.vehicle?.(before) ?? before, vehicle),
    fitment: strikes.reduce((before, each) => each.fitment?.(before) ?? before, fitment),
  };
}

/** Circuits asked about, with those that something wrong joins to one of them. */
export function joinedTo(
  about: readonly string[],
  vehicle: Vehicle,
  strikes: readonly Strike[],
): readonly string[] {
  const joined = strikes.flatMap((each) => {
    const ids = each.joined?.(vehicle) ?? [];
    return ids.some((id) => about.includes(id)) ? ids : [];
  });
  return joined.length === 0 ? about : [...new Set([...about, ...joined])];
}

/** A bulb out of its socket. */
export function lampOut(lampId: string): Strike {
  return {
    contacts: (contacts) => {
      contacts[CONTACTS.seated(lampId)] = false;
    },
  };
}

/** A fuse out of its holder. */
export function fuseOut(fuseId: string): Strike {
  return opened(ELEMENTS.fuse(fuseId));
}

/** An output that has cut its circuit off. */
export function outputOff(circuitId: string): Strike {
  return {
    contacts: (contacts) => {
      contacts[CONTACTS.circuit(circuitId)] = false;
      contacts[CONTACTS.bright(circuitId)] = false;
    },
  };
}

/** What is burnt through or broken still has two ends. */
export function opened(elementId: string): Strike {
  return {
    elements: (elements) =>
      elements.map((each) => {
        if (each.id !== elementId) return each;
        const { id, a, b } = each;
        return { kind: 'resistor', id, a, b, ohms: OPEN_OHMS };
      }),
  };
}

/** Ohms more than there should be, in every wire, contact or earth of these names. */
export function moreOhms(elementIds: readonly string[], ohms: number): Strike {
  return {
    elements: (elements) =>
      elements.map((each) =>
        each.kind === 'resistor' && elementIds.includes(each.id) ? { ...each, ohms: each.ohms + ohms } : each,
      ),
  };
}

/** A path from one place to another where there should be none; where either is left out, there is none. */
export function joining(id: string, a: string, b: string, ohms: number): Strike {
  return {
    elements: (elements) => {
      const there = (node: string) =>
        node === EARTH || elements.some((each) => each.a === node || each.b === node);
      return [...elements, ...(there(a) && there(b) ? [{ kind: 'resistor' as const, id, a, b, ohms }] : [])];
    },
  };
}
