import type { Job } from '../../model/job.ts';
import type { Connector } from '../../model/vehicle/connector.ts';
import { connectorsOf, idOfUse } from '../connectors.ts';
import { groupUse, type PinFinding } from './finder.ts';

/** From here a cavity's likeliest use is written down, proved or not. */
const LIKELY = 0.5;

/**
 * The plug of a job as something that is written down: one that was only supposed so far is taken into the vehicle.
 *
 * @param job changed in place
 * @returns null where the vehicle has no such plug
 */
export function recordedConnector(job: Job, connectorId: string): Connector | null {
  const known = connectorsOf(job.vehicle).find(({ connector }) => connector.id === connectorId);
  if (!known) return null;
  if (!known.recorded) {
    // What was only supposed of its cavities is nothing anybody saw.
    const cavities = known.connector.cavities.map(({ id }) => ({ id }));
    job.vehicle.connectors = [...(job.vehicle.connectors ?? []), { ...known.connector, cavities }];
  }
  return job.vehicle.connectors?.find(({ id }) => id === connectorId) ?? null;
}

/**
 * Writes what readings showed of a plug into its wiring sheet. What they prove is proved by the meter or the probe; what
 * is only likely is written without proof, and what a hand has proved another way stays.
 *
 * @param job changed in place
 * @returns how many cavities were written
 */
export function writeMap(job: Job, connectorId: string, finding: PinFinding): number {
  const connector = recordedConnector(job, connectorId);
  let written = 0;
  for (const found of finding.cavities) {
    const cavity = connector?.cavities.find(({ id }) => id === found.cavity);
    const [best] = found.likely;
    const use = best && best.share >= LIKELY ? groupUse(best.group) : undefined;
    if (!cavity || !use || found.readings === 0) continue;
    const same = cavity.use !== undefined && idOfUse(cavity.use) === idOfUse(use);
    if (cavity.provedBy && cavity.provedBy !== 'colour' && !found.proved) continue;
    if (cavity.provedBy === 'lead-out' && same) continue;
    cavity.use = use;
    if (found.proved && found.by) cavity.provedBy = found.by;
    else if (!same) delete cavity.provedBy;
    written += 1;
  }
  return written;
}
