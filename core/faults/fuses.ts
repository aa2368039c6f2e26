import type { Circuit } from '../model/vehicle/circuit.ts';
import { feedFuseId } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** Fuses that lamp circuits of a vehicle hang on. */
export function fusesOf(vehicle: Vehicle): string[] {
  return [
    ...new Set(
      vehicle.circuits.flatMap((circuit) => [
        feedFuseId(vehicle, circuit),
        ...(circuit.stopFuseId ? [circuit.stopFuseId] : []),
      ]),
    ),
  ];
}

/** Circuits that hang on a fuse. */
export function circuitsOnFuse(vehicle: Vehicle, fuseId: string): Circuit[] {
  return vehicle.circuits.filter(
    (circuit) => circuit.stopFuseId === fuseId || feedFuseId(vehicle, circuit) === fuseId,
  );
}
