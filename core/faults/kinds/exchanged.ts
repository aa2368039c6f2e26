import type { Lamp } from '../../model/vehicle/lamp.ts';
import { circuitsOf } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { FaultKindOf } from '../faultKind.ts';
import { withFeeds } from '../rewired.ts';

/** The holders, or the plugs, of two lamps put into each other's place. */
export interface Exchanged {
  kind: 'exchanged';
  lampId: string;
  otherId: string;
}

/** How likely in two housings of one side, and in two across from each other, where one housing is 1 (assumed). */
const OTHER_HOUSING = 0.5;
const ACROSS = 0.3;

export const exchanged: FaultKindOf<Exchanged> = {
  prior: 3,
  minutes: [2, 5],
  natures: ['with-leds', 'from-start'],
  of: ({ vehicle, lamps }) =>
    lamps.flatMap(({ lamp }, at) =>
      lamps.slice(at + 1).flatMap(({ lamp: other }): Exchanged[] => {
        const does = (id: string) => circuitsOf(vehicle, id).map((circuit) => circuit.id);
        const same = does(lamp.id).every((id) => does(other.id).includes(id));
        return lamp.base === other.base && !same && near(vehicle, lamp, other)
          ? [{ kind: 'exchanged', lampId: lamp.id, otherId: other.id }]
          : [];
      }),
    ),
  where: ({ lampId, otherId }) => `${lampId}:${otherId}`,
  lampIds: ({ lampId, otherId }) => [lampId, otherId],
  atLamp: true,
  weight: ({ lampId, otherId }, vehicle) => {
    const [one, other] = [lampId, otherId].map((id) => vehicle.lamps.find((lamp) => lamp.id === id));
    if (!one || !other || one.access.group === other.access.group) return 1;
    return one.side === other.side ? OTHER_HOUSING : ACROSS;
  },
  strike: ({ lampId, otherId }) => ({
    vehicle: (vehicle) =>
      withFeeds(vehicle, (feed) => {
        if (feed.lampId === lampId) return { ...feed, lampId: otherId };
        return feed.lampId === otherId ? { ...feed, lampId } : feed;
      }),
  }),
};

/**
 * Whether plugs of two lamps reach each other's place: in one housing, side by side at one end, or across from each other
 * where each is the only one of its function, a fog lamp and a reverse lamp for one.
 */
function near(vehicle: Vehicle, one: Lamp, other: Lamp): boolean {
  if (one.access.group === other.access.group) return true;
  if (one.end !== other.end || one.end === 'inside' || one.end === 'dash') return false;
  if (one.side === other.side || one.side === 'centre' || other.side === 'centre') return true;
  return alone(vehicle, one) && alone(vehicle, other);
}

function alone(vehicle: Vehicle, { id }: Lamp): boolean {
  const kinds = new Set(circuitsOf(vehicle, id).map(({ kind }) => kind));
  return !vehicle.lamps.some(
    (lamp) => lamp.id !== id && circuitsOf(vehicle, lamp.id).some(({ kind }) => kinds.has(kind)),
  );
}
