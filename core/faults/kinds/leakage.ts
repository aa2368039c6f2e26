import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import { NODES } from '../../model/vehicle/netlistNames.ts';
import { joining } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { ON_FEED } from '../sites.ts';

/** A feed that lets current through while off, ohms to the supply. */
export interface Leakage {
  kind: 'leakage';
  circuitId: string;
  ohms: number;
}

/** Ohms, the least of it first (from memory). */
const OHMS = { typical: 6000, from: 15_000, to: 1500 };

export const leakage: FaultKindOf<Leakage> = {
  prior: 3,
  minutes: [2, 6],
  natures: ['water'],
  // A trickle warms no filament: where there is no LED nobody sees it.
  of: ({ vehicle, fitment }) =>
    vehicle.circuits.flatMap((circuit): Leakage[] =>
      lampIdsOf(circuit).some((id) => fitment.contents.get(id)?.kind === 'led')
        ? [{ kind: 'leakage', circuitId: circuit.id, ohms: OHMS.typical }]
        : [],
    ),
  ...ON_FEED,
  size: { of: () => OHMS, as: (fault, ohms) => ({ ...fault, ohms }) },
  strike: ({ circuitId, ohms }) => ({
    ...joining(`${circuitId}.fault-leak`, NODES.batteryPlus, NODES.bus(circuitId), ohms),
    alive: [circuitId],
  }),
};
