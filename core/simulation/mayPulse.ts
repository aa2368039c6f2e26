import type { Circuit } from '../model/vehicle/circuit.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { outputOf } from './controls.ts';

/**
 * Whether the feed of some circuits pulses while it is on, by what is known of the vehicle: a relay's and a switch's never do.
 *
 * @returns null where an output feeds one of them and nobody has looked
 */
export function mayPulse(vehicle: Vehicle, circuits: readonly Circuit[]): boolean | null {
  const outputs = circuits.flatMap((circuit) => outputOf(vehicle, circuit) ?? []);
  if (outputs.some(({ pwm }) => pwm)) return true;
  return outputs.every(({ notPulsed }) => notPulsed) ? false : null;
}
