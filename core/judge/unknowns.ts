import { bulbById, interchangeable, signalFilament } from '../catalogue/bulbs.ts';
import type { Job } from '../model/job.ts';
import type { Lamp } from '../model/vehicle/lamp.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { worksRange } from '../simulation/worksLed.ts';

/** Something nobody has looked at yet that widens the band; `words/unknowns.ts` says what would narrow it. */
export type Unknown =
  | {
      what:
        | 'repeaters-watched'
        | 'repeaters-assumed'
        | 'pilot-assumed'
        | 'outputs-not-seen'
        | 'daytime-not-seen'
        | 'trials-contradict';
    }
  /** `lamps` by name */
  | {
      what: 'bulbs-not-seen' | 'sockets-not-seen' | 'works-not-measured' | 'fault-wire-not-seen';
      lamps: readonly string[];
    }
  /** circuits by name */
  | { what: 'pulses-not-seen'; circuits: readonly string[] }
  /** as it is drawn, by name */
  | { what: 'flasher-not-seen'; flasher: string }
  /** by name */
  | { what: 'fuse-not-read'; fuses: readonly string[] };

interface Possibilities {
  /** the job as it may be, the likeliest first */
  jobs: readonly Pick<Job, 'vehicle' | 'identified'>[];
  unknowns: readonly Unknown[];
}

/**
 * Every way a job may turn out to be, where something that moves the band is not known: whether the relay watches the
 * repeaters, and which of two interchangeable bulbs is in a turn lamp nobody has looked into. A verdict has to be
 * right for all of them.
 */
export function possibilities({ vehicle, identified }: Pick<Job, 'vehicle' | 'identified'>): Possibilities {
  let jobs: Pick<Job, 'vehicle' | 'identified'>[] = [{ vehicle, identified }];
  const unknowns: Unknown[] = [];
  const { flasher } = vehicle;
  if (flasher.kind === 'watching-relay' && flasher.watchesRepeaters === null && hasRepeater(vehicle)) {
    unknowns.push({ what: 'repeaters-watched' });
    jobs = jobs.flatMap((each) =>
      [true, false].map((watchesRepeaters) => ({
        ...each,
        vehicle: { ...vehicle, flasher: { ...flasher, watchesRepeaters } },
      })),
    );
  }
  const others = otherBulbs(vehicle, identified);
  const lamps = Object.keys(others);
  if (lamps.length > 0) {
    const names = vehicle.lamps.filter(({ id }) => lamps.includes(id)).map(({ name }) => name.toLowerCase());
    unknowns.push({ what: 'bulbs-not-seen', lamps: names });
    jobs = jobs.flatMap((each) => [each, { ...each, identified: { ...each.identified, ...others } }]);
  }
  for (const open of openWorks(vehicle)) {
    unknowns.push({ what: open.what, lamps: open.lamps.map(({ name }) => name.toLowerCase()) });
    jobs = jobs.flatMap((each) =>
      open.ways.map((way) => ({ ...each, vehicle: { ...each.vehicle, lamps: each.vehicle.lamps.map(way) } })),
    );
  }
  return { jobs, unknowns };
}

/** What nobody knows of the LEDs from the works that bear on a watcher, with each lamp as it may be. */
function openWorks(vehicle: Vehicle): {
  what: 'works-not-measured' | 'fault-wire-not-seen';
  lamps: Lamp[];
  ways: readonly ((lamp: Lamp) => Lamp)[];
}[] {
  const unmeasured = vehicle.lamps.filter(
    ({ works }) => works && (works.amps === null || works.dimAmps === null),
  );
  const unlooked = vehicle.lamps.filter(({ works }) => works?.faultLine === null);
  const drawing = (which: 0 | 1) => (lamp: Lamp) => {
    if (!lamp.works || !unmeasured.some(({ id }) => id === lamp.id)) return lamp;
    const amps = worksRange(vehicle, lamp, 'main')[which];
    const dim = lamp.works.dimAmps === undefined ? {} : { dimAmps: worksRange(vehicle, lamp, 'dim')[which] };
    return { ...lamp, works: { ...lamp.works, amps, ...dim } };
  };
  const told = (faultLine: boolean) => (lamp: Lamp) =>
    lamp.works?.faultLine === null ? { ...lamp, works: { ...lamp.works, faultLine } } : lamp;
  return [
    { what: 'works-not-measured' as const, lamps: unmeasured, ways: [drawing(0), drawing(1)] },
    { what: 'fault-wire-not-seen' as const, lamps: unlooked, ways: [told(false), told(true)] },
  ].filter(({ lamps }) => lamps.length > 0);
}

function hasRepeater(vehicle: Vehicle): boolean {
  const turning = new Set(turnCircuits(vehicle).flatMap(lampIdsOf));
  return vehicle.lamps.some((lamp) => lamp.role === 'repeater' && turning.has(lamp.id));
}

/** For each turn lamp not looked into, the bulb that fits its socket too and draws most unlike the listed one. */
function otherBulbs(vehicle: Vehicle, identified: Job['identified']): Record<string, string> {
  const turning = new Set(turnCircuits(vehicle).flatMap(lampIdsOf));
  const others: Record<string, string> = {};
  for (const lamp of vehicle.lamps) {
    if (!turning.has(lamp.id) || identified[lamp.id] !== undefined || lamp.works) continue;
    const listed = bulbById(lamp.stockBulb);
    if (!listed) continue;
    const unlike = (id: string) => {
      const bulb = bulbById(id);
      return bulb ? Math.abs(signalFilament(bulb).amps - signalFilament(listed).amps) : 0;
    };
    const other = interchangeable(listed).toSorted((a, b) => unlike(b.id) - unlike(a.id))[0];
    if (other && unlike(other.id) > 0.02) others[lamp.id] = other.id;
  }
  return others;
}
