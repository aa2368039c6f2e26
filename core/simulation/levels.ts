import type { Circuit } from '../model/vehicle/circuit.ts';
import type { LampInput } from '../model/vehicle/lamp.ts';
import { circuitsOf } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { outputOf } from './controls.ts';

/** One level a circuit lights a lamp at. */
export interface Level {
  lampId: string;
  input: LampInput;
  /** of an output that pulses to dim and is told to give all it has with the brake: which of the two; null elsewhere */
  braking: boolean | null;
}

/** Every level at which a circuit lights its lamps. */
export function levelsOf(vehicle: Vehicle, circuit: Circuit): Level[] {
  const two = circuit.fullWithBrake === true && outputOf(vehicle, circuit)?.pwm !== undefined;
  const braking = two ? [false, true] : [null];
  return circuit.feeds.flatMap(({ lampId, input }) =>
    braking.map((each) => ({ lampId, input, braking: each })),
  );
}

/**
 * Whether an eye can tell one level of a lamp: its circuit gives it, and nothing lights the same filament or a brighter one.
 *
 * @param on ids of the circuits that are on
 * @param brake whether the brake is on
 */
export function isSeenAt(
  vehicle: Vehicle,
  circuit: Circuit,
  { lampId, input, braking }: Level,
  on: ReadonlySet<string>,
  brake: boolean,
): boolean {
  if (!on.has(circuit.id) || (braking !== null && braking !== brake)) return false;
  return !circuitsOf(vehicle, lampId).some(
    (other) =>
      other.id !== circuit.id &&
      on.has(other.id) &&
      other.feeds.some((feed) => feed.lampId === lampId && (feed.input === 'main' || feed.input === input)),
  );
}
