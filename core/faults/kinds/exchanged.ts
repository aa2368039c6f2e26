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
  of: ({ vehicle, lamps }) => {
    const reach = new Reach(vehicle);
    const does = new Map(
      lamps.map(({ lamp }) => [lamp.id, circuitsOf(vehicle, lamp.id).map(({ id }) => id)]),
    );
    const same = (one: string, other: string) =>
      (does.get(one) ?? []).every((id) => does.get(other)?.includes(id));
    return lamps.flatMap(({ lamp }, at) =>
      lamps
        .slice(at + 1)
        .filter(({ lamp: other }) => lamp.base === other.base && reach.near(lamp, other))
        .filter(({ lamp: other }) => !same(lamp.id, other.id))
        .map(({ lamp: other }): Exchanged => ({ kind: 'exchanged', lampId: lamp.id, otherId: other.id })),
    );
  },
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
 * Plugs on a harness reach those beside them: of a row of markers along a trailer the first never comes to the last. So many
 * lamps of one end at most are near another (assumed; no car has more at one corner).
 */
const WITHIN_REACH = 8;
/** A vehicle is about so many times as long as it is broad; the plan has both as shares (assumed). */
const LENGTHS = 3;

/** Which lamps the plugs of a vehicle's lamps reach, those of their own housing first, worked out once a vehicle. */
class Reach {
  private readonly known = new Map<string, ReadonlySet<string>>();
  private readonly kinds: ReadonlyMap<string, ReadonlySet<string>>;

  constructor(private readonly vehicle: Vehicle) {
    const kinds = new Map<string, Set<string>>();
    for (const circuit of vehicle.circuits)
      for (const { lampId } of circuit.feeds)
        kinds.set(lampId, (kinds.get(lampId) ?? new Set()).add(circuit.kind));
    this.kinds = kinds;
  }

  /**
   * Whether plugs of two lamps reach each other's place: in one housing, side by side at one end, or across from each other
   * where each is the only one of its function, a fog lamp and a reverse lamp for one.
   */
  near(one: Lamp, other: Lamp): boolean {
    if (!this.beside(one).has(other.id) && !this.beside(other).has(one.id)) return false;
    if (one.access.group === other.access.group) return true;
    if (one.end === 'inside' || one.end === 'dash') return false;
    if (one.side === other.side || one.side === 'centre' || other.side === 'centre') return true;
    return this.alone(one) && this.alone(other);
  }

  private beside({ id, end, plan, access: { group } }: Lamp): ReadonlySet<string> {
    let found = this.known.get(id);
    if (!found) {
      const away = (lamp: Lamp) =>
        lamp.access.group === group
          ? 0
          : Math.hypot(lamp.plan.across - plan.across, LENGTHS * (lamp.plan.along - plan.along));
      const others = this.vehicle.lamps.filter(
        (lamp) => lamp.id !== id && (lamp.end === end || lamp.access.group === group),
      );
      const nearest = others.toSorted((a, b) => away(a) - away(b)).slice(0, WITHIN_REACH);
      found = new Set(nearest.map((lamp) => lamp.id));
      this.known.set(id, found);
    }
    return found;
  }

  private alone({ id }: Lamp): boolean {
    const mine = this.kinds.get(id) ?? new Set();
    return ![...this.kinds].some(
      ([lampId, kinds]) => lampId !== id && [...kinds].some((kind) => mine.has(kind)),
    );
  }
}
