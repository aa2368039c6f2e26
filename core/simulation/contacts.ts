import type { Circuit } from '../model/vehicle/circuit.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import { CONTACTS } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { type Controls, hasTurnOnly, stopsThroughTurn, wanted } from './controls.ts';
import type { Fitment } from './fitment.ts';
import type { Strike } from './strike.ts';

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
 * @param strikes what is wrong
 */
export function contactsOf(
  vehicle: Vehicle,
  fitment: Fitment,
  controls: Controls,
  lit: boolean,
  strikes: readonly Strike[] = [],
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
  for (const lamp of vehicle.lamps) {
    contacts[CONTACTS.seated(lamp.id)] = true;
    const content = fitment.contents.get(lamp.id);
    if (content?.kind !== 'led') continue;
    for (let index = 0; index < (content.part.sweep?.segments ?? 0); index += 1)
      contacts[CONTACTS.segment(lamp.id, index)] = true;
    if (content.part.switchback)
      contacts[CONTACTS.park(lamp.id)] = !circuitsOf(vehicle, lamp.id).some(
        (circuit) => circuit.kind === 'turn' && wanted(circuit, controls),
      );
  }
  for (const each of strikes) each.contacts?.(contacts, vehicle);
  return contacts;
}
