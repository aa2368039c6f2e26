import type { LampInput } from '../model/vehicle/lamp.ts';
import { circuitsFeeding } from '../model/vehicle/lookUp.ts';
import { NODES } from '../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { connectorsOf, functionsAt, idOfUse } from '../wiring/connectors.ts';

/** A place of the vehicle a probe or clamp is put on. */
export interface Spot {
  /** `plug-rear/3`, `lamp:rear-left:main`, `wire:turn-left`: as it is written to an instrument */
  id: string;
  name: string;
  /** what it is shown under: a plug, a lamp, the circuits */
  group: string;
  /** where the netlist has it; null of a cavity that goes nowhere, and of a wire, which only a clamp goes round */
  node: string | null;
  about: readonly string[];
  cavity?: { connectorId: string; cavity: string };
  lamp?: { lampId: string; input: LampInput | 'earth' };
  wire?: { circuitId: string };
}

/**
 * Every place a probe or clamp may be put on: cavities of plugs, contacts of lamps, wires of circuits. A plug nobody has
 * looked at is wired in the usual order: on a stand-in that is how it is.
 */
export function spotsOf(vehicle: Vehicle): Spot[] {
  return [
    ...connectorsOf(vehicle).flatMap(({ connector }): Spot[] => {
      const functions = functionsAt(vehicle, connector);
      return connector.cavities.map(({ id, use }) => {
        const found = use && functions.find((each) => each.id === idOfUse(use));
        return {
          id: `${connector.id}/${id}`,
          name: `cavity ${id}`,
          group: connector.name,
          node: found?.node ?? null,
          about: found?.about ?? [],
          cavity: { connectorId: connector.id, cavity: id },
        };
      });
    }),
    ...vehicle.lamps.flatMap((lamp): Spot[] => {
      const inputs = (['main', 'dim'] as const).filter(
        (input) => circuitsFeeding(vehicle, lamp.id, input).length > 0,
      );
      const about = inputs.flatMap((input) => circuitsFeeding(vehicle, lamp.id, input)).map(({ id }) => id);
      return [
        ...inputs.map((input) => ({
          id: `lamp:${lamp.id}:${input}`,
          name: input === 'main' ? 'feed contact' : 'dim feed contact',
          group: lamp.name,
          node: NODES.feed(lamp.id, input),
          about: circuitsFeeding(vehicle, lamp.id, input).map(({ id }) => id),
          lamp: { lampId: lamp.id, input },
        })),
        ...(about.length === 0
          ? []
          : [
              {
                id: `lamp:${lamp.id}:earth`,
                name: 'earth contact',
                group: lamp.name,
                node: NODES.earth(lamp.id),
                about,
                lamp: { lampId: lamp.id, input: 'earth' as const },
              },
            ]),
      ];
    }),
    ...vehicle.circuits.map((circuit) => ({
      id: `wire:${circuit.id}`,
      name: circuit.name,
      group: 'Wires, for the clamp',
      node: NODES.bus(circuit.id),
      about: [circuit.id],
      wire: { circuitId: circuit.id },
    })),
  ];
}
