import { volts } from '../formatting/format.ts';
import type { Configuration, Finding, Job } from '../model/job.ts';
import type { TurnCircuit } from '../model/vehicle/circuit.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';

/** What was seen, in words. */
const SEEN_WORDS: Record<Finding['result'], string> = {
  normal: 'a normal flash',
  fast: 'a fast flash',
  slow: 'a slow flash',
  message: 'a bulb message',
};

/**
 * A finding that saw too little load with just what a configuration has fitted on a side: it needs no band to say so.
 *
 * @returns null where none did
 */
export function seenShort(job: Job, circuit: TurnCircuit, configuration: Configuration): Finding | null {
  if (configuration === 'stock' || job.vehicleCures.length > 0) return null;
  const networks = configuration === 'cured' ? (job.cures[circuit.id]?.networks ?? []) : [];
  const lampIds = lampIdsOf(circuit);
  const same = (finding: Finding) =>
    finding.circuitId === circuit.id &&
    finding.result !== 'normal' &&
    finding.out.length === 0 &&
    lampIds.every((id) => (finding.fitted[id] ?? null) === (job.chosen[id] ?? null)) &&
    JSON.stringify(finding.networks) === JSON.stringify(networks);
  return job.findings?.find(same) ?? null;
}

/** Why a side falls short that was seen to. */
export function seenReason({ result, lights, supplyVolts, supplyToVolts }: Finding): string {
  const at =
    supplyToVolts === undefined ? volts(supplyVolts) : `${volts(supplyVolts)} to ${volts(supplyToVolts)}`;
  return `Seen with just this fitted: ${SEEN_WORDS[result]}, at ${at}, lights ${lights ? 'on' : 'off'}.`;
}
