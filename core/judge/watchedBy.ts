import type { Job } from '../model/job.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Flasher } from '../model/vehicle/flasher.ts';
import { watcherOf } from './requirements/watch.ts';
import { saysShort } from './seenShort.ts';
import { watcherSeen } from './watcherSeen.ts';

/** Who looks at the current of a circuit. */
export interface WatchedBy {
  /** `the controller`; what may watch it where nobody knows; null where nobody does */
  who: string | null;
  /** whether nobody has looked if anything does */
  open: boolean;
}

/** Who watches a circuit, as far as anybody said or saw: what was seen to call is watched. */
export function watchedBy(
  { vehicle, evidence }: Pick<Job, 'vehicle' | 'evidence'>,
  flasher: Flasher,
  circuit: Circuit,
): WatchedBy {
  const known = watcherOf(vehicle, flasher, circuit);
  if (known !== null) return { who: known, open: false };
  if (watcherSeen({ vehicle, evidence }).some((each) => each.circuitId === circuit.id && saysShort(each)))
    return { who: 'what watches it', open: false };
  return circuit.watched === null ? { who: 'what may watch it', open: true } : { who: null, open: false };
}
