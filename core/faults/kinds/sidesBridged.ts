import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import { NODES } from '../../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { joining } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';

/** Left and right turn wires joined, ohms. */
export interface SidesBridged {
  kind: 'sides-bridged';
  ohms: number;
}

/** Of what touches by itself (typical). */
const TOUCHING_OHMS = 0.05;

export const sidesBridged: FaultKindOf<SidesBridged> = {
  prior: 2,
  minutes: [3, 15],
  natures: [],
  of: ({ vehicle }) => (sidesOf(vehicle) ? [{ kind: 'sides-bridged', ohms: TOUCHING_OHMS }] : []),
  where: () => '',
  lampIds: (_, vehicle) => turnCircuits(vehicle).flatMap(lampIdsOf),
  circuitIds: (_, vehicle) => turnCircuits(vehicle).map(({ id }) => id),
  strike: ({ ohms }, vehicle) => {
    const sides = sidesOf(vehicle);
    if (!sides) return {};
    const [left, right] = sides;
    return {
      ...joining('sides-bridge', NODES.bus(left), NODES.bus(right), ohms),
      joined: () => turnCircuits(vehicle).map(({ id }) => id),
    };
  },
};

function sidesOf(vehicle: Vehicle): readonly [left: string, right: string] | null {
  const [left, right] = (['left', 'right'] as const).map((side) =>
    turnCircuits(vehicle).find((circuit) => circuit.side === side),
  );
  return left && right ? [left.id, right.id] : null;
}
