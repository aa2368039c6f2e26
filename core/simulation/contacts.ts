import type { Circuit } from '../model/vehicle/circuit.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { CONTACTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, hasTurnOnly, stopsThroughTurn, wanted } from './controls.ts';
import type { Fault } from './fault.ts';
import type { Fitment } from './fitment.ts';

/** Contacts whose state differs between the lit and the dark part of a flash. */
export function flashingContacts(circuit: Circuit, lit: boolean): Record<string, boolean> {
  return {
    [CONTACTS.flasher]: lit,
    [CONTACTS.bright(circuit.id)]: lit,
    ...(circuit.from.by === 'output' ? { [CONTACTS.circuit(circuit.id)]: lit } : {}),
  };
}

/**
 * Every contact of a vehicle in one moment of the driver's wishes.
 *
 * @param lit whether what flashes is in the lit part of its flash
 * @param faults bulbs that are out
 */
export function contactsOf(
  vehicle: Vehicle,
  fitment: Fitment,
  controls: Controls,
  lit: boolean,
  faults: readonly Fault[] = [],
): Record<string, boolean> {
  const contacts: Record<string, boolean> = {
    [CONTACTS.key]: controls.key !== 'off',
    [CONTACTS.alternator]: controls.key === 'running',
    [CONTACTS.flasher]: lit,
  };
  for (const circuit of vehicle.circuits) {
    const on = wanted(circuit, controls);
    const stop = stopsThroughTurn(circuit, controls);
    contacts[CONTACTS.circuit(circuit.id)] =
      circuit.kind === 'turn' && circuit.from.by === 'output' ? on && lit : on;
    contacts[CONTACTS.stop(circuit.id)] = stop;
    if (hasTurnOnly(circuit)) contacts[CONTACTS.turnOnly(circuit.id)] = !stop;
    contacts[CONTACTS.bright(circuit.id)] = stop || (on && (circuit.kind !== 'turn' || lit));
  }
  const stuck = faults.find((fault) => fault.kind === 'relay-stuck');
  if (stuck?.kind === 'relay-stuck') holdFlasher(vehicle, contacts, stuck.closed);
  const out = new Set(faults.flatMap((fault) => (fault.kind === 'bulb-out' ? [fault.lampId] : [])));
  for (const lamp of vehicle.lamps) {
    contacts[CONTACTS.seated(lamp.id)] = !out.has(lamp.id);
    const content = fitment.contents.get(lamp.id);
    if (content?.kind !== 'led') continue;
    for (let index = 0; index < (content.part.sweep?.segments ?? 0); index += 1)
      contacts[CONTACTS.segment(lamp.id, index)] = true;
    if (content.part.switchback)
      contacts[CONTACTS.park(lamp.id)] = !circuitsOf(vehicle, lamp.id).some(
        (circuit) => circuit.kind === 'turn' && wanted(circuit, controls),
      );
  }
  return contacts;
}

/** A relay that never closes, or always is: the bright feeds of what hangs on it are what it makes of them. */
function holdFlasher(vehicle: Vehicle, contacts: Record<string, boolean>, closed: boolean): void {
  contacts[CONTACTS.flasher] = closed;
  for (const circuit of vehicle.circuits)
    if (circuit.from.by === 'flasher' && !contacts[CONTACTS.stop(circuit.id)])
      contacts[CONTACTS.bright(circuit.id)] = closed && contacts[CONTACTS.circuit(circuit.id)] === true;
}
