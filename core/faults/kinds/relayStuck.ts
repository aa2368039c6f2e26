import { CONTACTS } from '../../model/vehicle/netlistNames.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { OF_TURNS } from '../sites.ts';

/** The relay's earth is missing: it never closes; or supply and lamps are crossed: it stays closed. */
export interface RelayStuck {
  kind: 'relay-stuck';
  closed: boolean;
}

export const relayStuck: FaultKindOf<RelayStuck> = {
  prior: 4,
  minutes: [3, 10],
  natures: ['relay', 'from-start'],
  of: ({ fitment: { flasher } }) =>
    flasher.kind === 'watching-relay' || flasher.kind === 'non-watching-relay'
      ? [false, true].map((closed) => ({ kind: 'relay-stuck', closed }))
      : [],
  ...OF_TURNS,
  where: ({ closed }) => (closed ? 'closed' : 'open'),
  place: () => 'relay',
  strike: ({ closed }) => ({
    // The bright feeds of what hangs on it are what it makes of them.
    contacts: (contacts, vehicle) => {
      contacts[CONTACTS.flasher] = closed;
      for (const circuit of vehicle.circuits)
        if (circuit.from.by === 'flasher' && !contacts[CONTACTS.stop(circuit.id)])
          contacts[CONTACTS.bright(circuit.id)] = closed && contacts[CONTACTS.circuit(circuit.id)] === true;
    },
    flasherHeld: true,
  }),
};
