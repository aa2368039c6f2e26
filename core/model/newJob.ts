import type { Job } from './job.ts';
import type { Vehicle } from './vehicle/vehicle.ts';

/** A job with everything still to do. */
export function newJob(id: string, title: string, vehicle: Vehicle, createdAt: string): Job {
  return {
    id,
    title,
    createdAt,
    vehicle,
    lookOver: { lamps: {}, warnings: '' },
    identified: {},
    chosen: {},
    cures: {},
    vehicleCures: [],
    fit: {},
    evidence: [],
    handOver: { stockBulbsKeptAt: '', warrantyUntil: '', note: '', filedAt: null },
  };
}
