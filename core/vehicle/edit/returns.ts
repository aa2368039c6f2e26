import type { Vehicle } from '../../model/vehicle/vehicle.ts';

/**
 * Hangs the other contact of a lamp on a circuit's feed in place of earth; of a lamp on the other flank on that circuit's own
 * there. Nothing puts it back on earth.
 *
 * @param vehicle changed in place
 */
export function setReturn(vehicle: Vehicle, lampId: string, circuitId: string | undefined): void {
  const lamp = vehicle.lamps.find(({ id }) => id === lampId);
  const named = vehicle.circuits.find(({ id }) => id === circuitId);
  if (!lamp) return;
  const own = (circuit: Vehicle['circuits'][number]) => circuit.side === null || circuit.side === lamp.side;
  const to =
    named && !own(named) ? vehicle.circuits.find((each) => each.kind === named.kind && own(each)) : named;
  if (to) lamp.returnsTo = to.id;
  else delete lamp.returnsTo;
}

/** Puts lamps back on earth that hung on a circuit which is no more. */
export function dropLostReturns(vehicle: Vehicle): void {
  const left = new Set(vehicle.circuits.map(({ id }) => id));
  for (const lamp of vehicle.lamps)
    if (lamp.returnsTo !== undefined && !left.has(lamp.returnsTo)) delete lamp.returnsTo;
}
