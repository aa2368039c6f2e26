import { EARTH } from '../../circuit/engine/netlist.ts';
import { circuitById, lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { NODES } from '../../model/vehicle/netlistNames.ts';
import { joining } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';

/** A feed chafed through to earth, ohms. */
export interface ShortToEarth {
  kind: 'short-to-earth';
  circuitId: string;
  ohms: number;
}

/** Of what touches by itself (typical). */
const TOUCHING_OHMS = 0.05;

export const shortToEarth: FaultKindOf<ShortToEarth> = {
  prior: 2,
  minutes: [5, 30],
  natures: ['age'],
  of: ({ vehicle }) =>
    vehicle.circuits.map(({ id }) => ({ kind: 'short-to-earth', circuitId: id, ohms: TOUCHING_OHMS })),
  where: ({ circuitId }) => circuitId,
  lampIds: ({ circuitId }, vehicle) => lampIdsOf(circuitById(vehicle, circuitId)),
  circuitIds: ({ circuitId }) => [circuitId],
  place: ({ circuitId }) => `wire:${circuitId}`,
  strike: ({ circuitId, ohms }) => joining(`${circuitId}.fault-short`, NODES.bus(circuitId), EARTH, ohms),
};
