import { volts } from '../formatting/format.ts';
import type { Configuration } from '../model/cures.ts';
import type { Evidence, SteadyProof, WatcherTrial } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';

/** Something seen that tells of too little load by itself. */
export type ShortSeen = (WatcherTrial | SteadyProof) & { result: 'fast' | 'slow' | 'message' };

/** What was seen, in words. */
const SEEN_WORDS: Record<ShortSeen['result'], string> = {
  fast: 'a fast flash',
  slow: 'a slow flash',
  message: 'a bulb message',
};

/** Whether what was seen is too little load on a circuit, whatever was fitted there. */
export function saysShort(evidence: Evidence, circuitId: string): evidence is ShortSeen {
  if ((evidence.kind !== 'trial' && evidence.kind !== 'proof') || evidence.circuitId !== circuitId)
    return false;
  const { result } = evidence;
  return result === 'message' || (evidence.kind === 'trial' && (result === 'fast' || result === 'slow'));
}

/**
 * Something that was seen of too little load with just what a configuration has fitted on a circuit: it needs no band to
 * say so.
 *
 * @returns null where nothing was
 */
export function seenShort(job: Job, circuit: Circuit, configuration: Configuration): ShortSeen | null {
  if (configuration === 'stock') return null;
  const others = configuration === 'cured' ? job.vehicleCures : [];
  const networks = configuration === 'cured' ? (job.cures[circuit.id]?.networks ?? []) : [];
  const lampIds = lampIdsOf(circuit);
  const withThis = ({ fitted }: ShortSeen) =>
    fitted.out.length === 0 &&
    lampIds.some((id) => fitted.lamps[id] !== undefined) &&
    lampIds.every((id) => (fitted.lamps[id] ?? null) === (job.chosen[id] ?? null)) &&
    JSON.stringify(fitted.networks) === JSON.stringify(networks) &&
    JSON.stringify(fitted.vehicleCures ?? []) === JSON.stringify(others);
  for (const each of job.evidence) if (saysShort(each, circuit.id) && withThis(each)) return each;
  return null;
}

/** Why a circuit falls short that was seen to. */
export function seenReason({ result, on, supply }: ShortSeen): string {
  const at = supply
    ? `, at ${volts(supply.fromVolts)}${supply.toVolts === supply.fromVolts ? '' : ` to ${volts(supply.toVolts)}`}`
    : '';
  const lights = on ? `, lights ${on.lights ? 'on' : 'off'}` : '';
  return `Seen with just this fitted: ${SEEN_WORDS[result]}${at}${lights}.`;
}
