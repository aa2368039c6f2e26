import { cureKind } from '../../model/cureKinds/kinds.ts';
import type { VehicleCure } from '../../model/cures.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { Lamp } from '../../model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuits } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';

/** The circuits one cure is for: all that flash together, or one that is on steadily. */
export interface CureScope {
  circuits: readonly Circuit[];
  /** whether they are the turn circuits, with their flasher and pilot */
  turning: boolean;
}

/** All turn circuits of a vehicle, which share a flasher. */
export function turnScope(vehicle: Vehicle): CureScope {
  return { circuits: turnCircuits(vehicle), turning: true };
}

/** One circuit that is on steadily. */
export function circuitScope(circuit: Circuit): CureScope {
  return { circuits: [circuit], turning: false };
}

/** The lamps the circuits of a scope feed. */
export function lampsIn(vehicle: Vehicle, { circuits }: CureScope): Lamp[] {
  const ids = new Set(circuits.flatMap(lampIdsOf));
  return vehicle.lamps.filter((lamp) => ids.has(lamp.id));
}

/** Whether a cure that is no load on a lamp is for a scope: one of the flashing for the turn circuits alone. */
export function cureIsFor(vehicle: Vehicle, scope: CureScope): (cure: VehicleCure) => boolean {
  const circuits = new Set(scope.circuits.map(({ id }) => id));
  const lamps = new Set(lampsIn(vehicle, scope).map(({ id }) => id));
  return (cure) => {
    const at = cureKind(cure).at(cure);
    if (at.on === 'turn') return scope.turning;
    return at.on === 'lamp' ? lamps.has(at.lampId) : circuits.has(at.circuitId);
  };
}
