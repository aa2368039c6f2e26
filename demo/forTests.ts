import type { WatcherTrial } from '../core/model/evidence.ts';
import type { Job } from '../core/model/job.ts';
import type { TurnCircuit } from '../core/model/vehicle/circuit.ts';
import type { WatchingRelay } from '../core/model/vehicle/flasher.ts';
import { turnCircuits } from '../core/model/vehicle/lookUp.ts';
import type { Vehicle } from '../core/model/vehicle/vehicle.ts';
import { demoJobs } from './jobs.ts';

/** What tests ask of the demo fleet by name; an absence is an error there, never an undefined. */

export function demoJob(id: string): Job {
  const job = demoJobs().find((each) => each.id === id);
  if (!job) throw new Error(`no demo job "${id}"`);
  return job;
}

export function firstTurn(vehicle: Vehicle): TurnCircuit {
  const circuit = turnCircuits(vehicle)[0];
  if (!circuit) throw new Error(`${vehicle.name} has no turn circuit`);
  return circuit;
}

export function relayOf(vehicle: Vehicle): WatchingRelay {
  if (vehicle.flasher.kind !== 'watching-relay') throw new Error(`${vehicle.name} has no watching relay`);
  return vehicle.flasher;
}

export function withRelay(vehicle: Vehicle, change: Partial<WatchingRelay>): Vehicle {
  return { ...vehicle, flasher: { ...relayOf(vehicle), ...change } };
}

/** The vehicle with other amps on the fuse its turn lamps hang on. */
export function onTurnFuse(vehicle: Vehicle, ratedAmps: number): Vehicle {
  return {
    ...vehicle,
    fuses: vehicle.fuses.map((fuse) =>
      fuse.id === vehicle.flasher.fuseId ? { ...fuse, ratedAmps, name: `${ratedAmps} A fuse` } : fuse,
    ),
  };
}

/** The job with no cure of its turn lamps but one resistor of 100 W across the rear left one. */
export function withRearLoad(job: Job, ohms: number): Job {
  const pieces = [{ partId: null, ohms, watts: 100, tolerance: 0.05 }];
  const networks = [{ lampId: 'rear-left', connection: 'parallel' as const, pieces }];
  return { ...job, cures: { 'turn-left': { kind: 'load-resistor', networks } } };
}

/** What a record of a test is signed with. */
export const SIGNED = { vehicleId: 'vehicle', visit: 'visit-1', device: null, method: 'seen' } as const;

/** Something tried at a measured supply, lights off, with these LEDs and resistors. */
export function trialAt(
  circuitId: string,
  result: WatcherTrial['result'],
  supplyVolts: number,
  fitted: Partial<WatcherTrial['fitted']> = {},
  more: Partial<WatcherTrial> = {},
): WatcherTrial {
  return {
    ...SIGNED,
    kind: 'trial',
    id: `trial-${circuitId}-${result}`,
    at: '2026-11-20T10:00:00.000Z',
    circuitId,
    on: { lights: false, brake: false, engine: null },
    supply: { fromVolts: supplyVolts, toVolts: supplyVolts },
    fitted: { configuration: null, lamps: {}, networks: [], out: [], ...fitted },
    result,
    ...more,
  };
}
