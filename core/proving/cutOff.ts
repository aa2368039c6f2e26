import { FUSE_HOLD } from '../circuit/engine/netlist.ts';
import { outputOf } from '../simulation/controls.ts';
import { fuseHeatAmps } from '../simulation/fuseHeat.ts';
import type { Moment } from '../simulation/moment.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';
import type { Drawn } from './outcome.ts';

/**
 * Fuses that what is drawn melts, were none to hold: by what heats them over pulses, and over lit and dark of a flash.
 *
 * @param about circuits that are asked about, as of the simulation's `at`
 * @throws NoSolutionError when no steady state exists
 */
export function meltingFuses(
  simulation: VehicleSimulation,
  moment: Pick<Moment, 'controls' | 'emfVolts'>,
  about: readonly string[],
): string[] {
  const probes = simulation.at(moment, about);
  const past = (amps: number, ratedAmps: number) => amps > FUSE_HOLD * ratedAmps;
  // What does not melt it flowing all the time does not in pulses and flashes.
  const near = simulation.vehicle.fuses.filter(({ id, ratedAmps }) => past(probes.fuseAmps(id), ratedAmps));
  return near.flatMap(({ id, ratedAmps }) =>
    past(fuseHeatAmps(simulation, id, moment, about), ratedAmps) ? [id] : [],
  );
}

/** Outputs of a controller that guard themselves against what is drawn, and stay off. */
export function trippedOutputs({ vehicle, fitment }: VehicleSimulation, drawn: readonly Drawn[]): Drawn[] {
  if (fitment.flasher.kind !== 'controller') return [];
  return drawn.filter(({ circuit, amps }) => {
    const output = outputOf(vehicle, circuit);
    return output !== undefined && amps > output.limitAmps;
  });
}
