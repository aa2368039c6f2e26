import type { TurnCircuit } from '../../core/model/vehicle/circuit.ts';
import { lampById, lampIdsOf } from '../../core/model/vehicle/lookUp.ts';
import { ELEMENTS } from '../../core/model/vehicle/netlistNames.ts';
import type { Vehicle } from '../../core/model/vehicle/vehicle.ts';
import { CONTROLS_OFF, type Controls } from '../../core/simulation/controls.ts';
import type { Fitment } from '../../core/simulation/fitment.ts';
import { lampOut } from '../../core/simulation/strike.ts';
import { VehicleSimulation } from '../../core/simulation/vehicleSimulation.ts';

/** Half a flash, and what counts as settled, s. */
const HALF = 0.34;
const SETTLED = 1.5;

interface Driven {
  vehicle: Vehicle;
  fitment: Fitment;
  circuit: TurnCircuit;
  emfVolts: number;
  /** so long after it came on, s; settled where left out */
  lookSeconds?: number | undefined;
  /** a lamp whose bulb is dead */
  without?: string;
}

/**
 * What flows into one side of turn lamps at a moment of its third flash, A: the circuit run in time from cold, its contact
 * closed and opened by the clock. It knows of no band, no verdict and no working point.
 */
export function flowsInTime({ vehicle, fitment, circuit, emfVolts, lookSeconds, without }: Driven): number {
  const controls: Controls = { ...CONTROLS_OFF, key: 'on', turn: circuit.side };
  const strikes = without === undefined ? [] : [lampOut(without)];
  const simulation = new VehicleSimulation(vehicle, clocked(fitment), strikes);
  const { run, contacts } = simulation.inTime(controls, emfVolts, { circuits: new Set([circuit.id]) });
  for (let flash = 0; flash < 2; flash += 1) {
    run.advanceTo((2 * flash + 1) * HALF);
    run.setControls(contacts(false));
    run.advanceTo((2 * flash + 2) * HALF);
    run.setControls(contacts(true));
  }
  run.advanceTo(4 * HALF + (lookSeconds ?? SETTLED));
  const repeaters = lampIdsOf(circuit).filter((id) => lampById(vehicle, id).role === 'repeater');
  const { flasher } = fitment;
  const uncounted = flasher.kind === 'watching-relay' && flasher.watchesRepeaters === false ? repeaters : [];
  return uncounted.reduce(
    (amps, id) => amps - run.circuit.amps(ELEMENTS.lead(id)),
    run.circuit.amps(ELEMENTS.wire(circuit.id)),
  );
}

/** A bimetal moves by itself; here the clock moves it, as a contact like the others. */
function clocked(fitment: Fitment): Fitment {
  const { flasher } = fitment;
  return flasher.kind === 'thermal' ? { ...fitment, flasher: { ...flasher, underloaded: 'fast' } } : fitment;
}
