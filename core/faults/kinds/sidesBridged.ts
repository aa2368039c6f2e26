import { turnCircuits } from '../../model/vehicle/lookUp.ts';
import { NODES } from '../../model/vehicle/netlistNames.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { joining } from '../../simulation/strike.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { OF_TURNS, TOUCHING_OHMS } from '../sites.ts';

/** Left and right turn wires joined, ohms. */
export interface SidesBridged {
  kind: 'sides-bridged';
  ohms: number;
}

export const sidesBridged: FaultKindOf<SidesBridged> = {
  prior: 2,
  minutes: [3, 15],
  natures: [],
  of: ({ vehicle }) => (sidesOf(vehicle) ? [{ kind: 'sides-bridged', ohms: TOUCHING_OHMS }] : []),
  ...OF_TURNS,
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
