import { bulbById, interchangeable, signalFilament } from '../catalogue/bulbs.ts';
import { inARow } from '../formatting/format.ts';
import type { Job } from '../model/job.ts';
import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';

/** Something nobody has looked at yet that widens the band, and what would narrow it. */
export interface Unknown {
  what:
    | 'repeaters-watched'
    | 'bulbs-not-seen'
    | 'flasher-not-seen'
    | 'repeaters-assumed'
    | 'pilot-assumed'
    | 'outputs-not-seen'
    | 'sockets-not-seen'
    | 'fuse-not-read'
    | 'trials-contradict';
  /** one sentence: what is not known, and what to do about it */
  narrow: string;
}

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
    unknowns.push({
      what: 'repeaters-watched',
      narrow:
        'Whether the relay watches the side repeaters is not known: pull one repeater bulb and see if the flash changes.',
    });
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
    const names = vehicle.lamps
      .filter((lamp) => lamps.includes(lamp.id))
      .map((lamp) => lamp.name.toLowerCase());
    unknowns.push({
      what: 'bulbs-not-seen',
      narrow: `Nobody has read the bulb in ${inARow(names)}; bulbs that interchange there draw differently. The number on the cap narrows the band.`,
    });
    jobs = jobs.flatMap((each) => [each, { ...each, identified: { ...each.identified, ...others } }]);
  }
  return { jobs, unknowns };
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
    if (!turning.has(lamp.id) || identified[lamp.id] !== undefined) continue;
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
