import { FUSE_HOLD } from '../circuit/engine/netlist.ts';
import { type Controls, flashingSides, outputOf } from '../simulation/controls.ts';
import type { Fault } from '../simulation/fault.ts';
import type { Probes } from '../simulation/probes.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import type { Drawn } from './outcome.ts';

/**
 * Fuses that what is drawn melts, were none to hold: by their heat in the mean, where what flashes hangs on them.
 */
export function meltingFuses(
  { vehicle, fitment }: VehicleSimulation,
  probes: Probes,
  controls: Controls,
): string[] {
  const { flasher } = fitment;
  const flashes = flashingSides(vehicle, controls).length > 0;
  return vehicle.fuses.flatMap(({ id, ratedAmps }) => {
    const share = flashes && id === vehicle.flasher.fuseId ? flasher.onFraction : 1;
    return probes.fuseAmps(id) * Math.sqrt(share) > FUSE_HOLD * ratedAmps ? [id] : [];
  });
}

/** Fuses as faults: each out of its holder. */
export function fusesOut(fuseIds: readonly string[]): Fault[] {
  return fuseIds.map((fuseId) => ({ kind: 'fuse-out', fuseId }));
}

/** Outputs of a controller that guard themselves against what is drawn, and stay off. */
export function trippedOutputs({ vehicle, fitment }: VehicleSimulation, drawn: readonly Drawn[]): Drawn[] {
  if (fitment.flasher.kind !== 'controller') return [];
  return drawn.filter(({ circuit, amps }) => {
    const output = outputOf(vehicle, circuit);
    return output !== undefined && amps > output.limitAmps;
  });
}
