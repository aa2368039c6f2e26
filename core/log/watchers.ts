import { JobAnalysis } from '../judge/analysis.ts';
import { fittedWords } from '../judge/priors.ts';
import { ownWatcherSeen } from '../judge/watcherSeen.ts';
import { testVolts } from '../judge/workingPoints.ts';
import type { Job } from '../model/job.ts';
import type { Shelf } from '../model/part.ts';
import { modelName, turnCircuits } from '../model/vehicle/lookUp.ts';

/** What one vehicle's evidence says of where its watcher's threshold lies. */
export interface VehicleBand {
  jobId: string;
  vehicle: string;
  lowAmps: number;
  highAmps: number;
  /** each finding: what was fitted, what it did, and who found it */
  findings: readonly { fitted: string; result: string; by: string; at: string }[];
  /** its own findings cannot all be true; nothing of it is used then */
  contradiction: string | null;
}

/** The watchers of vehicles that may be alike, beside each other. */
export interface WatcherGroup {
  /** the model, or the watcher, they have in common */
  of: string;
  circuit: string;
  volts: number;
  vehicles: readonly VehicleBand[];
  /** where the threshold lies if they are all the same watcher, which nobody has shown; null where they cannot be */
  together: { lowAmps: number; highAmps: number } | null;
  /** vehicles whose bands do not meet: not one watcher, or one of the findings is wrong */
  apart: readonly [string, string][];
}

/**
 * What is known of the watchers of one model, or of one kind of flasher: the band of each vehicle's own evidence, and what
 * they come to if one supposes that they are the same.
 *
 * @param jobs all of them; one that names a part nobody has says nothing
 * @param by what is laid beside each other
 */
export function watcherGroups(jobs: readonly Job[], shelf: Shelf, by: 'model' | 'watcher'): WatcherGroup[] {
  const groups = new Map<string, WatcherGroup & { vehicles: VehicleBand[] }>();
  const taken = new Set<string>();
  for (const job of jobs) {
    if (ownWatcherSeen(job).length === 0) continue;
    const { vehicle } = job;
    const of = by === 'model' ? modelName(vehicle) : vehicle.flasher.name;
    for (const circuit of turnCircuits(vehicle)) {
      const band = bandOf(job, shelf, circuit.id);
      const key = `${of} ${circuit.name} ${vehicle.systemVolts}`;
      // Two jobs of one vehicle tell of one watcher.
      if (!band || taken.has(`${key} ${vehicle.id}`)) continue;
      taken.add(`${key} ${vehicle.id}`);
      const volts = testVolts(vehicle.systemVolts);
      const group = groups.get(key) ?? {
        of,
        circuit: circuit.name,
        volts,
        vehicles: [],
        together: null,
        apart: [],
      };
      group.vehicles.push(band);
      groups.set(key, group);
    }
  }
  return [...groups.values()].map((group) => ({ ...group, ...united(group.vehicles) }));
}

function bandOf(job: Job, shelf: Shelf, circuitId: string): VehicleBand | null {
  const circuit = turnCircuits(job.vehicle).find(({ id }) => id === circuitId);
  const findings = ownWatcherSeen(job).filter((trial) => trial.circuitId === circuitId);
  if (!circuit || findings.length === 0) return null;
  try {
    const { learned } = JobAnalysis.of(job, shelf).likeliest;
    if (!learned) return null;
    const { lowAmps, highAmps } = learned.at(circuit, testVolts(job.vehicle.systemVolts));
    return {
      jobId: job.id,
      vehicle: job.vehicle.fleetNumber || job.title || job.vehicle.name,
      lowAmps,
      highAmps,
      findings: findings.map((trial) => ({
        fitted: fittedWords(job, shelf, trial),
        result: trial.result,
        by: trial.by ?? '',
        at: trial.at,
      })),
      contradiction: learned.contradiction(circuit)?.text ?? null,
    };
  } catch {
    // It names a part nobody has any more: what was fitted then cannot be worked out.
    return null;
  }
}

/** What bands come to if they are of one watcher: what all of them leave. */
function united(vehicles: readonly VehicleBand[]): Pick<WatcherGroup, 'together' | 'apart'> {
  const sound = vehicles.filter(({ contradiction }) => contradiction === null);
  const apart = sound.flatMap((a, index) =>
    sound
      .slice(index + 1)
      .filter((b) => a.highAmps < b.lowAmps || b.highAmps < a.lowAmps)
      .map((b): [string, string] => [a.vehicle, b.vehicle]),
  );
  if (sound.length === 0 || apart.length > 0) return { together: null, apart };
  return {
    together: {
      lowAmps: Math.max(...sound.map(({ lowAmps }) => lowAmps)),
      highAmps: Math.min(...sound.map(({ highAmps }) => highAmps)),
    },
    apart,
  };
}
