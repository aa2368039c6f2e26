import { lampIdsOf, turnCircuits } from '../model/vehicle/lookUp.ts';
import { type Controls, flashingSides } from '../simulation/controls.ts';
import type { Probes } from '../simulation/probes.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import type { Writable } from './layered.ts';

/**
 * Writes down the heat of the resistors at each lamp in the mean, W, in place of what stood there.
 *
 * @param probes of the lit moment
 */
export function resistorWatts(
  { fitment, vehicle }: VehicleSimulation,
  probes: Probes,
  controls: Controls,
  lamps: ReadonlySet<string>,
  watts: Writable<number>,
): void {
  const sides = flashingSides(vehicle, controls);
  const flashing = new Set(
    turnCircuits(vehicle)
      .filter(({ side }) => sides.includes(side))
      .flatMap(lampIdsOf),
  );
  for (const lampId of lamps) {
    const networks = fitment.resistors.filter((network) => network.lampId === lampId);
    watts.delete(lampId);
    if (networks.length === 0) continue;
    const heat = (['main', 'dim'] as const).reduce((sum, input) => {
      if (!networks.some((network) => (network.input ?? 'main') === input)) return sum;
      return sum + Math.abs(probes.lampVolts(lampId, input) * probes.resistorAmps(lampId, input));
    }, 0);
    watts.set(lampId, flashing.has(lampId) ? heat * fitment.flasher.onFraction : heat);
  }
}
