import { FUSE_HOLD, FUSE_SECONDS } from '../circuit/engine/netlist.ts';
import { meanSquareOfFlash, type PulsedAmps } from '../circuit/meanSquare.ts';
import { RETRY_SECONDS } from '../devices/controller.ts';
import type { Circuit } from '../model/vehicle/circuit.ts';
import type { ControllerOutput } from '../model/vehicle/flasher.ts';
import { feedFuseId } from '../model/vehicle/lookUp.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { isOn } from './bearing.ts';
import { type Controls, dutyOf, outputOf, stopsThroughTurn } from './controls.ts';
import type { Moment } from './moment.ts';
import type { Probes } from './probes.ts';
import type { VehicleSimulation } from './vehicleSimulation.ts';

/** The fuse a circuit draws from with the panel as it is. */
export function fuseBehind(vehicle: Vehicle, circuit: Circuit, controls: Controls): string {
  if (circuit.stopFuseId !== undefined && stopsThroughTurn(circuit, controls)) return circuit.stopFuseId;
  return feedFuseId(vehicle, circuit);
}

/** Whether a circuit goes on and off with the flasher, with the panel as it is. */
export function isFlashing(circuit: Circuit, controls: Controls): boolean {
  return circuit.kind === 'turn' && !stopsThroughTurn(circuit, controls);
}

/**
 * What of a fuse's current heats it, with the panel as it is, A: the root of its mean square over pulses and over lit and
 * dark of a flash. The fuse itself holds.
 *
 * @param about circuits that are asked about, as of the simulation's `at`
 * @throws NoSolutionError when no steady state exists
 */
export function fuseHeatAmps(
  simulation: VehicleSimulation,
  fuseId: string,
  moment: Pick<Moment, 'controls' | 'emfVolts'>,
  about?: readonly string[],
): number {
  const { vehicle, fitment } = simulation;
  const { controls, emfVolts } = moment;
  const on = vehicle.circuits.filter(
    (circuit) => isOn(circuit, controls) && fuseBehind(vehicle, circuit, controls) === fuseId,
  );
  const flashing = on.filter((circuit) => isFlashing(circuit, controls));
  const asked = (circuit: Circuit) => about === undefined || about.includes(circuit.id);
  const carried = (probes: Probes, among: readonly Circuit[]): PulsedAmps[] => {
    const pulses = among.filter(asked).flatMap((circuit): PulsedAmps[] => {
      const duty = dutyOf(circuit, outputOf(vehicle, circuit), controls, emfVolts);
      return duty < 1 ? [{ amps: Math.abs(probes.wireAmps(circuit.id)), duty }] : [];
    });
    const whole = Math.abs(probes.fuseAmps(fuseId));
    const steady = pulses.reduce((rest, each) => rest - each.amps, whole);
    return [...pulses, { amps: Math.max(0, steady), duty: 1 }];
  };
  const lit = carried(simulation.at({ controls, emfVolts }, about), on);
  if (flashing.length === 0) return Math.sqrt(meanSquareOfFlash(1, lit, lit));
  const rest = on.filter((circuit) => !flashing.includes(circuit));
  const dark = carried(simulation.at({ controls, emfVolts, lit: false }, about), rest);
  return Math.sqrt(meanSquareOfFlash(fitment.flasher.onFraction, lit, dark));
}

/**
 * Whether a fuse melts while an output that guards itself looks, cuts off and tries again: its warmth is followed from try to
 * try, as the played fuse's is.
 *
 * @param amps through the fuse while the output is on
 */
export function meltsBeforeCutOff(
  amps: number,
  ratedAmps: number,
  { blankingSeconds, retries }: Pick<ControllerOutput, 'blankingSeconds' | 'retries'>,
): boolean {
  const heat = (amps / (FUSE_HOLD * ratedAmps)) ** 2;
  let warmth = 0;
  for (let tries = 0; tries <= retries; tries += 1) {
    warmth = heat + (warmth - heat) * Math.exp(-blankingSeconds / FUSE_SECONDS);
    if (warmth >= 1) return true;
    warmth *= Math.exp(-RETRY_SECONDS / FUSE_SECONDS);
  }
  return false;
}
