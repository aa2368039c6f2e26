import type { CircuitKind } from '../../model/vehicle/circuit.ts';
import type { Vehicle, VehicleKind } from '../../model/vehicle/vehicle.ts';

/** First year in which something beside the flasher may watch the outer lamps of a vehicle (common practice). */
const OUTER_FROM: Record<VehicleKind, number> = {
  car: 1978,
  van: 1978,
  minibus: 1978,
  coach: 1978,
  lorry: 1978,
  // What tows it may.
  trailer: 1978,
  moped: 2004,
  tractor: 2004,
};
/** First year in which a body computer may have an interior lamp or a dash lamp on an output (common practice). */
const INNER_FROM: Record<VehicleKind, number> = {
  car: 1996,
  van: 1999,
  minibus: 1999,
  coach: 2004,
  lorry: 2004,
  trailer: 2015,
  moped: 2004,
  tractor: 2004,
};

/** Whether a circuit lights what is inside the vehicle. */
export function isInside(circuit: CircuitKind): boolean {
  return circuit === 'interior' || circuit === 'dash';
}

/** Whether something may watch a circuit that does not flash, as long as nobody has looked. */
export function mayBeWatched(
  { kind, year, facts }: Pick<Vehicle, 'kind' | 'year' | 'facts'>,
  circuit: CircuitKind,
): boolean {
  if (circuit === 'turn' || circuit === 'charge') return false;
  if (isInside(circuit)) return year >= INNER_FROM[kind];
  return facts?.bulbCheck === undefined && year >= OUTER_FROM[kind];
}

/**
 * What is known of who watches the outer lamps, after somebody has looked for a module or taken that back: with one
 * what it watches is listed in it, with none nothing does.
 *
 * @param vehicle changed in place, its facts as they are now
 */
export function settleWatch(vehicle: Vehicle): void {
  for (const circuit of vehicle.circuits) {
    if (isInside(circuit.kind) || circuit.watched === true) continue;
    if (mayBeWatched(vehicle, circuit.kind)) circuit.watched = null;
    else delete circuit.watched;
  }
}
