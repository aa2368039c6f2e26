import { chargingVolts } from '../judge/workingPoints.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import type { Controls } from '../simulation/controls.ts';

/** What the supply has with the key where it is, V. */
export function supplyVoltsFor(vehicle: Vehicle, key: Controls['key']): number {
  return key === 'running' ? chargingVolts(vehicle.systemVolts) : (12.6 * vehicle.systemVolts) / 12;
}
