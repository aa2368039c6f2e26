import { EARTH } from '../../circuit/engine/netlist.ts';
import { NODES } from '../../model/vehicle/netlistNames.ts';
import { joining } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { ON_FEED, TOUCHING_OHMS } from '../sites.ts';

/** A feed chafed through to earth, ohms. */
export interface ShortToEarth {
  kind: 'short-to-earth';
  circuitId: string;
  ohms: number;
}

export const shortToEarth: FaultKindOf<ShortToEarth> = {
  prior: 2,
  minutes: [5, 30],
  natures: ['age'],
  of: ({ vehicle }) =>
    vehicle.circuits.map(({ id }) => ({ kind: 'short-to-earth', circuitId: id, ohms: TOUCHING_OHMS })),
  ...ON_FEED,
  strike: ({ circuitId, ohms }) => joining(`${circuitId}.fault-short`, NODES.bus(circuitId), EARTH, ohms),
};
