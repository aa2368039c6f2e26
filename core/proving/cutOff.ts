import { FUSE_HOLD } from '../circuit/engine/netlist.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import { fuseRating } from '../model/vehicle/fuseRating.ts';
import { feedFuseId, fuseById } from '../model/vehicle/lookUp.ts';
import { outputOf } from '../simulation/controls.ts';
import { fuseHeatAmps, meltsBeforeCutOff } from '../simulation/fuseHeat.ts';
import type { Moment } from '../simulation/moment.ts';
import type { Probes } from '../simulation/probes.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';

/**
 * Fuses that what is drawn melts, were none to hold: by what heats them over pulses, and over lit and dark of a flash. The
 * moment is left settled as it was found.
 *
 * @param probes of the moment, settled
 * @param about circuits that are asked about, as of the simulation's `at`
 * @throws NoSolutionError when no steady state exists
 */
export function meltingFuses(
  simulation: VehicleSimulation,
  probes: Pick<Probes, 'fuseAmps'>,
  moment: Pick<Moment, 'controls' | 'emfVolts'>,
  about: readonly string[],
): Melting {
  const past = (amps: number, ratedAmps: number) => amps > FUSE_HOLD * ratedAmps;
  // What does not melt it flowing all the time does not in pulses and flashes.
  const near = simulation.vehicle.fuses.filter((fuse) =>
    past(probes.fuseAmps(fuse.id), fuseRating(fuse).least),
  );
  if (near.length === 0) return NOTHING_MELTS;
  const heated = near.map((fuse) => ({ fuse, amps: fuseHeatAmps(simulation, fuse.id, moment, about) }));
  simulation.at(moment, about);
  const sure = heated.filter(({ fuse, amps }) => past(amps, fuseRating(fuse).most));
  const maybe = heated.filter((each) => !sure.includes(each) && past(each.amps, fuseRating(each.fuse).least));
  const ids = (some: typeof heated) => some.map(({ fuse }) => fuse.id);
  return { sure: ids(sure), maybe: ids(maybe) };
}

/** Fuses that melt, and those that may: nobody has read what is printed on them. */
export interface Melting {
  sure: readonly string[];
  maybe: readonly string[];
}

const NOTHING_MELTS: Melting = { sure: [], maybe: [] };

/**
 * Outputs of a controller that guard themselves against what is drawn, and stay off: the circuits they feed. Where so much
 * flows that the fuse goes first, it is no longer theirs to guard.
 */
export function trippedOutputs(
  { vehicle, fitment }: VehicleSimulation,
  circuits: readonly Circuit[],
  probes: Pick<Probes, 'wireAmps' | 'fuseAmps'>,
): string[] {
  if (fitment.flasher.kind !== 'controller') return [];
  return circuits.flatMap((circuit) => {
    const output = outputOf(vehicle, circuit);
    if (output === undefined || probes.wireAmps(circuit.id) <= output.limitAmps) return [];
    const { id, ratedAmps } = fuseById(vehicle, feedFuseId(vehicle, circuit));
    return meltsBeforeCutOff(probes.fuseAmps(id), ratedAmps, output) ? [] : [circuit.id];
  });
}
