import type { Configuration } from '../model/cures.ts';
import type { WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';
import { watcherSeen } from './watcherSeen.ts';

/** Something seen that tells of too little load by itself. */
export type ShortSeen = WatcherTrial & { result: 'fast' | 'slow' | 'message' };

/** Whether what was seen is too little load, whatever was fitted. */
export function saysShort(seen: WatcherTrial): seen is ShortSeen {
  return seen.result !== 'normal';
}

/** Everything that was seen of a circuit with just what a configuration has fitted on it: it needs no band to say so. */
export function seenWithThis(job: Job, circuit: Circuit, configuration: Configuration): WatcherTrial[] {
  if (configuration === 'stock') return [];
  const others = configuration === 'cured' ? job.vehicleCures : [];
  const networks = configuration === 'cured' ? (job.cures[circuit.id]?.networks ?? []) : [];
  const lampIds = lampIdsOf(circuit);
  return watcherSeen(job).filter(
    ({ circuitId, fitted }) =>
      circuitId === circuit.id &&
      fitted.out.length === 0 &&
      lampIds.some((id) => fitted.lamps[id] !== undefined) &&
      lampIds.every((id) => (fitted.lamps[id] ?? null) === (job.chosen[id] ?? null)) &&
      JSON.stringify(fitted.networks) === JSON.stringify(networks) &&
      JSON.stringify(fitted.vehicleCures ?? []) === JSON.stringify(others),
  );
}

/** Something that was seen of too little load with just what a configuration has fitted on a circuit; null where nothing was. */
export function seenShort(job: Job, circuit: Circuit, configuration: Configuration): ShortSeen | null {
  return seenWithThis(job, circuit, configuration).find(saysShort) ?? null;
}
