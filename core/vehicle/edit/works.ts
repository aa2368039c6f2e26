import { circuitsFeeding } from '../../model/vehicle/lookUp.ts';
import type { Vehicle } from '../../model/vehicle/vehicle.ts';
import { retuneAssumed } from './assumed.ts';

/**
 * Says of a lamp that it left the works with an LED, of which nobody has looked at anything yet; or that it has a bulb after
 * all.
 *
 * @param vehicle changed in place
 */
export function setWorksLed(vehicle: Vehicle, lampId: string, led: boolean): void {
  const lamp = vehicle.lamps.find(({ id }) => id === lampId);
  if (!lamp || (lamp.works !== undefined) === led) return;
  if (led) {
    const dim = circuitsFeeding(vehicle, lampId, 'dim').length > 0;
    lamp.works = { sealed: null, amps: null, faultLine: null, ...(dim ? { dimAmps: null } : {}) };
  } else delete lamp.works;
  retuneAssumed(vehicle);
}
