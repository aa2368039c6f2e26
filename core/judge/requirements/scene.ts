import type { Configuration } from '../../model/cures.ts';
import type { Job } from '../../model/job.ts';
import type { Circuit } from '../../model/vehicle/circuit.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import type { TurnCircuits } from '../../simulation/turnCircuits.ts';

/** A circuit with what is fitted, beside the same with its healthy stock bulbs: what every requirement looks at. */
export interface Scene {
  /** the job as it may be, and how it is fitted here */
  job: Job;
  configuration: Configuration;
  vehicle: Vehicle;
  circuit: Circuit;
  fitted: TurnCircuits;
  healthy: TurnCircuits;
  /** widest tolerance of the resistors fitted */
  tolerance: number;
  /** the fastest it may flash, flashes a minute; null for what does not flash */
  ratePerMinute: number | null;
}
