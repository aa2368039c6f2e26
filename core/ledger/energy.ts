import { workingPoints } from '../judge/workingPoints.ts';
import type { Vehicle } from '../model/vehicle/vehicle.ts';
import { isOn } from '../simulation/bearing.ts';
import { CONTROLS_OFF, type Controls, dutyOf, outputOf } from '../simulation/controls.ts';
import { isFlashing } from '../simulation/fuseHeat.ts';
import type { VehicleSimulation } from '../simulation/vehicleSimulation.ts';

/** What a battery gives in some use of the lamps. */
export interface Energy {
  wattHours: number;
  ampHours: number;
}

/** A use of the lamps, as states of the driver's panel, each for some hours. */
export interface UseCase {
  id: 'parked' | 'night-drive' | 'hazard';
  /** at which battery EMF */
  point: 'rested' | 'charging';
  states: readonly { controls: Controls; hours: number }[];
}

const DRIVING: Controls = { ...CONTROLS_OFF, key: 'running', lights: true };

/** Hours of each, common practice: parked with lights an hour; two hours at night, a twelfth of it braking; ten minutes of hazard. */
export const USE_CASES: readonly UseCase[] = [
  { id: 'parked', point: 'rested', states: [{ controls: { ...CONTROLS_OFF, lights: true }, hours: 1 }] },
  {
    id: 'night-drive',
    point: 'charging',
    states: [
      { controls: DRIVING, hours: 1.72 },
      { controls: { ...DRIVING, brake: true }, hours: 0.16 },
      { controls: { ...DRIVING, turn: 'left' }, hours: 0.05 },
      { controls: { ...DRIVING, turn: 'right' }, hours: 0.05 },
      { controls: { ...DRIVING, reverse: true, brake: true }, hours: 0.02 },
    ],
  },
  { id: 'hazard', point: 'rested', states: [{ controls: { ...CONTROLS_OFF, hazard: true }, hours: 1 / 6 }] },
];

/**
 * Current out of the battery with the panel as it is, A: every feed that is on, of what flashes its share of the flash, of
 * what is pulsed its share of a pulse.
 *
 * @throws NoSolutionError when no steady state exists
 */
export function batteryAmps(simulation: VehicleSimulation, controls: Controls, emfVolts: number): number {
  const { vehicle, fitment } = simulation;
  const probes = simulation.at({ controls, emfVolts });
  return vehicle.circuits
    .filter((circuit) => isOn(circuit, controls))
    .reduce((sum, circuit) => {
      const duty = dutyOf(circuit, outputOf(vehicle, circuit), controls, emfVolts);
      const lit = isFlashing(circuit, controls) ? fitment.flasher.onFraction : 1;
      return sum + Math.max(0, probes.wireAmps(circuit.id)) * duty * lit;
    }, 0);
}

/** What one use takes out of the battery. */
export function energyOf(simulation: VehicleSimulation, { point, states }: UseCase): Energy {
  const volts = voltsAt(simulation.vehicle, point);
  return states.reduce<Energy>(
    (sum, { controls, hours }) => {
      const amps = batteryAmps(simulation, controls, volts);
      return { wattHours: sum.wattHours + amps * volts * hours, ampHours: sum.ampHours + amps * hours };
    },
    { wattHours: 0, ampHours: 0 },
  );
}

/** Battery EMF at a working point, V. */
export function voltsAt({ systemVolts }: Pick<Vehicle, 'systemVolts'>, point: UseCase['point']): number {
  return workingPoints(systemVolts).find(({ id }) => id === point)?.volts ?? systemVolts;
}
