import type { LoadResistorCure } from '../../model/cures.ts';
import type { TurnCircuit } from '../../model/vehicle/circuit.ts';
import { lampIdsOf } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { lampAcross } from '../../vehicle/across.ts';

/**
 * The same resistors for the other side of the vehicle: each at the lamp of the same end and role there.
 * Null where the other side has no such lamp.
 */
export function mirrorCure(
  vehicle: Vehicle,
  cure: LoadResistorCure,
  to: TurnCircuit,
): LoadResistorCure | null {
  const networks: LoadResistorCure['networks'] = [];
  for (const network of cure.networks) {
    const lamp = vehicle.lamps.find((each) => each.id === network.lampId);
    const partner = lamp && lampAcross(vehicle, lamp);
    if (!partner || !lampIdsOf(to).includes(partner.id)) return null;
    networks.push({ ...network, pieces: [...network.pieces], lampId: partner.id });
  }
  return { kind: 'load-resistor', networks };
}
