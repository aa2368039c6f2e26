import type { Cavity } from '../../model/vehicle/connector.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';

/**
 * Drops what plugs and openings say of lamps and circuits the vehicle no longer has: a plug without a lamp goes, a wire of
 * a circuit that is gone is one nobody knows again, and what needs an opening that is gone needs it no more.
 *
 * @param vehicle changed in place
 */
export function forgetWires(vehicle: Vehicle): void {
  const lamps = new Set(vehicle.lamps.map(({ id }) => id));
  const circuits = new Set(vehicle.circuits.map(({ id }) => id));
  if (vehicle.connectors) {
    for (const { at, cavities } of vehicle.connectors) {
      if (at.kind === 'lamps') at.lampIds = at.lampIds.filter((id) => lamps.has(id));
      for (const cavity of cavities) forgetUse(cavity, circuits);
    }
    vehicle.connectors = vehicle.connectors.filter(({ at }) => at.kind === 'relay' || at.lampIds.length > 0);
  }
  if (vehicle.openings) {
    const groups = new Set(vehicle.lamps.map(({ access }) => access.group));
    vehicle.openings = vehicle.openings.filter(({ id, of }) => of !== 'lamps' || groups.has(id));
    const left = new Set(vehicle.openings.map(({ id }) => id));
    for (const opening of vehicle.openings) opening.needs = opening.needs.filter((id) => left.has(id));
  }
}

function forgetUse(cavity: Cavity, circuits: ReadonlySet<string>): void {
  if (cavity.use?.does !== 'feed') return;
  const left = cavity.use.circuitIds.filter((id) => circuits.has(id));
  if (left.length === cavity.use.circuitIds.length) return;
  delete cavity.provedBy;
  if (left.length > 0) cavity.use.circuitIds = left;
  else delete cavity.use;
}

/**
 * Says whether a lamp is on a plug. On another one until now it leaves that; what a cavity was for that feeds none of the
 * lamps left is nothing anybody knows any more.
 *
 * @param vehicle changed in place
 */
export function setLampOnPlug(vehicle: Vehicle, connectorId: string, lampId: string, there: boolean): void {
  for (const { id, at, cavities } of vehicle.connectors ?? []) {
    if (at.kind !== 'lamps') continue;
    const without = at.lampIds.filter((each) => each !== lampId);
    at.lampIds = id === connectorId && there ? [...without, lampId].slice(0, 12) : without;
    const fed = new Set(
      vehicle.circuits
        .filter(({ feeds }) => feeds.some((feed) => at.lampIds.includes(feed.lampId)))
        .map((circuit) => circuit.id),
    );
    for (const cavity of cavities) forgetUse(cavity, fed);
  }
  forgetWires(vehicle);
}
