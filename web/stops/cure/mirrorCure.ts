import type { LoadResistorCure } from '../../../core/model/job.ts';
import type { TurnCircuit, Vehicle } from '../../../core/model/vehicle.ts';

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
    const partner = vehicle.lamps.find(
      (each) => to.lampIds.includes(each.id) && each.end === lamp?.end && each.role === lamp?.role,
    );
    if (!partner) return null;
    networks.push({ ...network, pieces: [...network.pieces], lampId: partner.id });
  }
  return { kind: 'load-resistor', networks };
}
