import type { Configuration } from '../model/cures.ts';
import type { LampEvidence } from '../model/evidence.ts';
import type { Job } from '../model/job.ts';
import { lampIdsOf } from '../model/vehicle/lookUp.ts';

/** What a job has in the lamps of some circuits in one of its configurations, as it is written beside what is seen. */
export function fittedNow(
  job: Job,
  circuitIds: readonly string[],
  configuration: Configuration,
): LampEvidence['fitted'] {
  // How a side flashes hangs on all its lamps, on however many outputs they are.
  const asked = job.vehicle.circuits.filter(({ id }) => circuitIds.includes(id));
  const sides = new Set(asked.filter(({ kind }) => kind === 'turn').map(({ side }) => side));
  const circuits = job.vehicle.circuits.filter(
    (circuit) => asked.includes(circuit) || (circuit.kind === 'turn' && sides.has(circuit.side)),
  );
  const lampIds = [...new Set(circuits.flatMap(lampIdsOf))];
  const networks = circuits.flatMap(({ id }) => job.cures[id]?.networks ?? []);
  return {
    configuration,
    lamps: Object.fromEntries(
      lampIds.map((id) => [id, configuration === 'stock' ? null : (job.chosen[id] ?? null)]),
    ),
    networks: configuration === 'cured' ? networks.slice(0, 12) : [],
    ...(configuration === 'cured' && job.vehicleCures.length > 0 ? { vehicleCures: job.vehicleCures } : {}),
    out: [],
  };
}
