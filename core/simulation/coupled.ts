import type { Circuit } from '../model/vehicle/circuit.ts';
import { turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/**
 * Circuits that cannot be worked out without each other, since they share a lamp, the pilot or an earth point:
 * everything a set of circuits hangs together with. That they share the battery too is left to whoever solves
 * them together.
 *
 * @param earths whether to follow shared earth points: a circuit that is off is felt through one only where the
 *   point is bad
 */
export function coupledCircuits(
  vehicle: Vehicle,
  seeds: Iterable<string>,
  { earths }: { earths: boolean },
): Set<string> {
  const found = new Set(seeds);
  const turns = turnCircuits(vehicle).map((circuit) => circuit.id);
  const returns = vehicle.lamps.flatMap(({ id, returnsTo }) =>
    returnsTo === undefined ? [] : [{ lampId: id, to: returnsTo }],
  );
  const earthPointOf = new Map(vehicle.lamps.map(({ id, earthPoint }) => [id, earthPoint]));
  const feeds = (circuit: Circuit, lampId: string) => circuit.feeds.some((feed) => feed.lampId === lampId);
  for (let grown = true; grown; ) {
    grown = false;
    const lamps = new Set(
      vehicle.circuits
        .filter((circuit) => found.has(circuit.id))
        .flatMap((circuit) => circuit.feeds.map((feed) => feed.lampId)),
    );
    const points = new Set(
      vehicle.lamps.flatMap((lamp) => (lamps.has(lamp.id) && lamp.earthPoint ? [lamp.earthPoint] : [])),
    );
    const near = (lampId: string) => {
      const point = earthPointOf.get(lampId);
      return lamps.has(lampId) || (earths && point !== undefined && points.has(point));
    };
    for (const circuit of vehicle.circuits) {
      const joined =
        circuit.feeds.some((feed) => near(feed.lampId)) ||
        returns.some(({ lampId, to }) =>
          to === circuit.id ? lamps.has(lampId) : found.has(to) && feeds(circuit, lampId),
        ) ||
        (vehicle.pilot !== undefined && turns.includes(circuit.id) && turns.some((id) => found.has(id)));
      if (!found.has(circuit.id) && joined) {
        found.add(circuit.id);
        grown = true;
      }
    }
  }
  return found;
}
