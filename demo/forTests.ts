import type { ResistorNetwork } from '../core/model/cures.ts';
import type { WatcherTrial } from '../core/model/evidence.ts';
import type { Job } from '../core/model/job.ts';
import { newJob } from '../core/model/newJob.ts';
import type { LedPart } from '../core/model/part.ts';
import type { TurnCircuit } from '../core/model/vehicle/circuit.ts';
import type { WatchingRelay } from '../core/model/vehicle/flasher.ts';
import { turnCircuits } from '../core/model/vehicle/lookUp.ts';
import type { TurnOutputs, Vehicle } from '../core/model/vehicle/vehicle.ts';
import { layoutEntries, startingVehicle } from '../core/presets/startingLayout.ts';
import { setTurnOutputs } from '../core/vehicle/edit/turnOutputs.ts';
import { demoJobs } from './jobs.ts';
import { DEMO_SHELF } from './shelf.ts';

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

/** For tests: a car of 2014 with a body controller, its outputs as they are said to be, or open where nobody has looked. */
export function cornerCar(outputs: TurnOutputs | 'open'): Vehicle {
  const vehicle = startingVehicle('car', {
    name: 'Car',
    model: 'Car',
    kind: 'car',
    year: 2014,
    region: 'UN',
    systemVolts: 12,
    entries: layoutEntries({ kind: 'car', year: 2014, region: 'UN' }).filter(({ usual }) => usual),
    flasher: 'controller',
  });
  if (outputs === 'open') return vehicle;
  delete vehicle.facts?.turnOutputs;
  setTurnOutputs(vehicle, outputs);
  return vehicle;
}

const LED = DEMO_SHELF.find(
  (part): part is LedPart => part.kind === 'led' && part.code === 'TERN-3A',
) as LedPart;
// A small one: with more, a front output may take it for the bulb, since nobody knows how little is enough for it.
const led: LedPart = {
  ...LED,
  id: 'led',
  watts: 1.2,
  bases: ['BAU15s', 'BA15s', 'W2.1x9.5d'] as LedPart['bases'],
};
export const CORNER_SHELF = [...DEMO_SHELF, led];

/** LEDs in every turn lamp, repeaters too, and so many ohms (of two resistors side by side) across some of them. */
export function cornerJob(outputs: TurnOutputs | 'open', loaded: readonly string[], ohms: number): Job {
  const vehicle = cornerCar(outputs);
  const job = newJob('j', 'j', vehicle, '2026-01-01T00:00:00.000Z');
  for (const lamp of vehicle.lamps)
    if (/^(front-turn|rear-turn|repeater)-/.test(lamp.id)) {
      lamp.resistorMount = 'chassis';
      job.chosen[lamp.id] = 'led';
    }
  for (const circuit of turnCircuits(vehicle)) {
    const networks = circuit.feeds
      .filter(({ lampId }) => loaded.includes(lampId))
      .map(
        ({ lampId }): ResistorNetwork => ({
          lampId,
          connection: 'parallel',
          pieces: [1, 2].map(() => ({ partId: null, ohms: 2 * ohms, watts: 100, tolerance: 0.05 })),
        }),
      );
    if (networks.length > 0) job.cures[circuit.id] = { kind: 'load-resistor', networks };
  }
  return job;
}
